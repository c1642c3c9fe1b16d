import { SheetView } from '@/app/jobs/[ticket]/sound/_sound/SheetView';

export default function SheetPage() {
  return <SheetView />;
}
