'use client';

import { usePathname } from 'next/navigation';
import { useBench } from './BenchContext';
import { guideOf } from './guideOf';
import { isOfJob } from './isOfJob';
import { useKeysHere } from './keysHere';
import { pageKeys } from './pageKeys';
import { soundReading, useSounds } from './sounds';
import { Button, Form, Modal } from '@/ui/bootstrap';

export function KeyHelpDialog() {
  const { helpOpen, setHelpOpen } = useBench();
  const ofPage = useKeysHere();
  const { on, turn } = useSounds();
  const path = usePathname();
  const shown = [...ofPage, ...(isOfJob(path) ? pageKeys.job.keys : []), ...pageKeys.everywhere.keys];
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
          {shown.map(({ keys, does }) => (
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
        <a className="btn btn-quiet" href={guideOf(path)} target="_blank" rel="noopener">
          Guide to this page
        </a>
        <a className="btn btn-quiet" href="/api/v1/keys.pdf">
          All of them on a card
        </a>
        <Button onClick={close} autoFocus>
          Close
        </Button>
      </Modal.Footer>
    </Modal>
  );
}
