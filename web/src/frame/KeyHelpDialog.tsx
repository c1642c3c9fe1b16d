'use client';

import { usePathname } from 'next/navigation';
import { useBench, type KeyHelp } from './BenchContext';
import { soundReading, useSounds } from './sounds';
import { Button, Form, Modal } from '@/ui/bootstrap';

const everywhere: KeyHelp[] = [
  { keys: '?', does: 'show these keys' },
  { keys: '`', does: 'switch between Day and Leak light' },
  { keys: '/ or Ctrl K', does: 'find something in any ticket' },
  { keys: 'Tab, Shift Tab', does: 'go to the next or previous control' },
];

const ofJobs: KeyHelp[] = [
  { keys: 'Alt 1 … 9, 0', does: 'job, survey, strip-down, measure, findings, plan, pads, regulation, sound, record' },
  { keys: 'Alt M', does: 'open or fold the map of the instrument' },
];

export function KeyHelpDialog() {
  const { helpOpen, setHelpOpen, pageKeys } = useBench();
  const { on, turn } = useSounds();
  const isOfJob = usePathname().startsWith('/jobs/');
  const close = () => setHelpOpen(false);
  return (
    <Modal show={helpOpen} onHide={close} animation={false} aria-labelledby="key-help">
      <Modal.Header>
        <Modal.Title as="h2" id="key-help">
          Keys of this page
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <dl className="row mb-0">
          {[...pageKeys, ...(isOfJob ? ofJobs : []), ...everywhere].map(({ keys, does }) => (
            <div key={keys} className="d-flex mb-2">
              <dt className="col-5">
                <kbd>{keys}</kbd>
              </dt>
              <dd className="col-7 mb-0">{does}</dd>
            </div>
          ))}
        </dl>
        <Form.Check
          id="sounds"
          className="mt-3"
          type="checkbox"
          label="A soft tick when a reading is taken, two knocks when it lies outside"
          checked={on}
          onChange={(event) => {
            turn(event.target.checked);
            if (event.target.checked) soundReading(null);
          }}
        />
      </Modal.Body>
      <Modal.Footer>
        <Button onClick={close} autoFocus>
          Close
        </Button>
      </Modal.Footer>
    </Modal>
  );
}
