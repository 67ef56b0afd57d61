import { ClockingStage } from '@/ui/clocking/ClockingStage';

export default function Page() {
  return <ClockingStage />;
}
