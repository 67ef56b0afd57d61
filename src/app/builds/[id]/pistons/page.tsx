import { PistonsStage } from '@/ui/pistons/PistonsStage';

export default function Page() {
  return <PistonsStage />;
}
