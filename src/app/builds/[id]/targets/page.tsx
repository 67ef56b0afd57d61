import { TargetsStage } from '@/ui/targets/TargetsStage';

export default function Page() {
  return <TargetsStage />;
}
