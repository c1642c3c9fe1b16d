'use client';

import { useBench, type KeyHelp } from './BenchContext';
import { Button, Modal } from '@/ui/bootstrap';

const everywhere: KeyHelp[] = [
  { keys: '?', does: 'show these keys' },
  { keys: '`', does: 'switch between Day and Leak light' },
  { keys: '/ or Ctrl K', does: 'find something in any ticket' },
  { keys: 'Tab, Shift Tab', does: 'go to the next or previous control' },
];

export function KeyHelpDialog() {
  const { helpOpen, setHelpOpen, pageKeys } = useBench();
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
          {[...pageKeys, ...everywhere].map(({ keys, does }) => (
            <div key={keys} className="d-flex mb-2">
              <dt className="col-5">
                <kbd>{keys}</kbd>
              </dt>
              <dd className="col-7 mb-0">{does}</dd>
            </div>
          ))}
        </dl>
      </Modal.Body>
      <Modal.Footer>
        <Button onClick={close} autoFocus>
          Close
        </Button>
      </Modal.Footer>
    </Modal>
  );
}
