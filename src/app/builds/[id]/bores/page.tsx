import { BoresStage } from '@/ui/bores/BoresStage';

export default function Page() {
  return <BoresStage />;
}
