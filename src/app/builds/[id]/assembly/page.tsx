import { AssemblyStage } from '@/ui/assembly/AssemblyStage';

export default function Page() {
  return <AssemblyStage />;
}
