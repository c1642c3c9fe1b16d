import { InstrumentView } from '@/app/jobs/[ticket]/instrument/_instrument/InstrumentView';

export default function InstrumentPage() {
  return <InstrumentView />;
}
