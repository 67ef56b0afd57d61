import { SheetStage } from '@/ui/sheet/SheetStage';

export default function Page() {
  return <SheetStage />;
}
