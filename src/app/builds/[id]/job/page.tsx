import { JobStage } from '@/ui/job/JobStage';

export default function Page() {
  return <JobStage />;
}
