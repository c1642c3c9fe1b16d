import { Waiting } from '@/components/Waiting';

export default function Loading() {
  return <Waiting what="the logbook" />;
}
