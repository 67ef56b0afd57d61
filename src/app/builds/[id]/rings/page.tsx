import { RingsStage } from '@/ui/rings/RingsStage';

export default function Page() {
  return <RingsStage />;
}
