'use client';

import { Link } from '@/ui/Link';
import { useEffect, useRef, useState } from 'react';
import { Button, Modal } from '@/ui/bootstrap';
import { askWho } from './askWho';
import { useBench } from './BenchContext';
import { askDoor, readDoor, type Door } from './keysApi';
import { OwnKeyForm } from './OwnKeyForm';
import { PinForm } from './PinForm';

/** What counts as somebody being there. */
const touches = ['pointerdown', 'keydown', 'wheel'] as const;
/** When somebody last touched any tab of this browser: they all belong to one session. */
const touched = 'holotonos-touched';
/** How often a touch is told to the other tabs, ms. */
const tellEvery = 5000;
const told = () => Number(localStorage.getItem(touched) ?? 0);

/** Locks the bench when nobody has touched it for as long as the shop wants. */
function useIdleLock(minutes: number, on: boolean, lock: () => void): void {
  const kept = useRef(lock);
  useEffect(() => {
    kept.current = lock;
  });
  useEffect(() => {
    if (!on) return;
    // A clock that looks, not one that runs off: a tablet that was asleep locks when it wakes.
    let last = Date.now();
    const touch = () => {
      last = Date.now();
      if (last - told() > tellEvery) localStorage.setItem(touched, String(last));
    };
    touch();
    const look = setInterval(() => {
      if (Date.now() - Math.max(last, told()) > minutes * 60_000) kept.current();
    }, 1000);
    for (const each of touches) window.addEventListener(each, touch, { passive: true });
    return () => {
      clearInterval(look);
      for (const each of touches) window.removeEventListener(each, touch);
    };
  }, [minutes, on]);
}

/** Who is at the bench, and how another takes over without losing what is on the screen. */
export function Hands() {
  const { asker, keeping, setAsker, lockMinutes } = useBench();
  const [open, setOpen] = useState(false);
  const [own, setOwn] = useState(false);
  const [door, setDoor] = useState<Door | null>(null);
  const [problem, setProblem] = useState('');
  const ask = () => {
    setOwn(false);
    setOpen(true);
    void readDoor().then((answer) => {
      if (answer.ok) setDoor(answer.body);
      else setProblem(answer.message);
    });
  };
  const lock = async () => {
    await askDoor('/sign-out', {});
    setAsker(null);
    ask();
  };
  useIdleLock(lockMinutes, asker !== null, () => void lock());
  const asked = useRef(ask);
  useEffect(() => {
    asked.current = ask;
  });
  // Whoever has put the question off is not asked again at every try of what waits: the head of the page says that it waits.
  const putOff = useRef(false);
  useEffect(() => {
    const onAsk = () => {
      if (!putOff.current) asked.current();
    };
    window.addEventListener(askWho, onAsk);
    return () => window.removeEventListener(askWho, onAsk);
  }, []);
  // Locked in another tab, it is locked here.
  const before = useRef(asker);
  useEffect(() => {
    if (before.current && !asker && keeping === 'shut') asked.current();
    before.current = asker;
  }, [asker, keeping]);
  // What is on the screen is nobody else’s business once the bench is locked.
  const must = asker === null && keeping === 'shut';
  const close = () => setOpen(false);
  const later = () => {
    putOff.current = true;
    close();
  };
  return (
    <>
      <Button
        variant="quiet"
        className="hands"
        onClick={ask}
        {...(asker && { 'aria-label': `${asker.name} is at the bench: change hands` })}
      >
        {asker ? asker.name : 'Say who you are'}
      </Button>
      <Modal
        show={open}
        onHide={later}
        backdrop={must ? 'static' : true}
        keyboard={!must}
        backdropClassName={must ? 'locked' : undefined}
        animation={false}
        aria-labelledby="hands-title"
      >
        <Modal.Header>
          <Modal.Title as="h2" id="hands-title">
            {own ? 'My number and password' : 'Who is at the bench?'}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          {own && asker && <OwnKeyForm name={asker.name} onDone={close} />}
          {problem && <p className="say fault">{problem}</p>}
          {!own && !door && !problem && <p aria-live="polite">Asking the door …</p>}
          {!own && door && door.people.length > 0 && (
            <PinForm
              people={door.people}
              onIn={(who) => {
                putOff.current = false;
                setAsker(who);
                close();
              }}
            />
          )}
          {!own && door && door.people.length === 0 && (
            <p>
              {door.bench
                ? 'Nobody has a number yet. An owner gives them out under Shop, Who may come in.'
                : 'This browser is no bench of the shop yet: sign in with a password once, and make it one.'}
            </p>
          )}
        </Modal.Body>
        <Modal.Footer>
          <Link className="btn btn-quiet" href="/sign-in">
            With a password
          </Link>
          {asker && !own && (
            <Button variant="quiet" onClick={() => setOwn(true)}>
              My number …
            </Button>
          )}
          {asker && (
            <Button variant="quiet" onClick={() => void lock()}>
              Lock the bench
            </Button>
          )}
          {!must && (
            <Button variant="quiet" onClick={later}>
              Back
            </Button>
          )}
        </Modal.Footer>
      </Modal>
    </>
  );
}
