'use client';

import { useEffect, useState } from 'react';
import { useBench } from '@/frame/BenchContext';
import { FirstOwnerForm } from '@/frame/FirstOwnerForm';
import { askDoor, readDoor, type Door } from '@/frame/keysApi';
import { PinForm } from '@/frame/PinForm';
import { Button, Form } from '@/ui/bootstrap';
import { TextField } from '@/ui/fields';

/** With a password: from anywhere, and once in each browser that is to be a bench. */
function PasswordForm({ onIn }: { onIn: () => void }) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [bench, setBench] = useState(false);
  const [problem, setProblem] = useState('');
  const submit = async () => {
    const answer = await askDoor('/sign-in/email', { email: email.trim(), password });
    if (!answer.ok) return setProblem(answer.message);
    if (bench) {
      const made = await askDoor('/bench', {});
      if (!made.ok) return setProblem(made.message);
    }
    onIn();
  };
  return (
    <form
      aria-label="With a password"
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <TextField label="E-mail address" type="email" autoComplete="username" value={email} set={setEmail} />
      <TextField label="Password" type="password" autoComplete="current-password" value={password} set={setPassword} />
      <Form.Check
        id="is-bench"
        className="my-2"
        type="checkbox"
        label="This browser is a bench of the shop: from now on a name and a number are enough here"
        checked={bench}
        onChange={(event) => setBench(event.target.checked)}
      />
      {problem && (
        <p role="alert" className="say fault">
          {problem}
        </p>
      )}
      <Button type="submit">Come in</Button>
    </form>
  );
}

/** The door: who is there, and how they come in. */
export function SignInView({ back, refused }: { back: string; refused: boolean }) {
  const { asker } = useBench();
  const [door, setDoor] = useState<Door | null>(null);
  const [problem, setProblem] = useState('');
  useEffect(() => {
    void readDoor().then((answer) => {
      if (answer.ok) setDoor(answer.body);
      else setProblem(answer.message);
    });
  }, []);
  // Everything on a page was made for whoever asked for it: it is asked for again.
  const enter = () => window.location.assign(back);
  return (
    <main id="main" className="page door">
      <h1>Who is there?</h1>
      {refused && (
        <p className="say attention">
          {asker ? `${asker.name} may not open that page.` : 'That page is not open to everybody.'} Somebody who may can
          come in here; an owner of the shop says who may do what.
        </p>
      )}
      {problem && (
        <p role="alert" className="say fault">
          {problem}
        </p>
      )}
      {!door && !problem && <p aria-live="polite">Asking the door …</p>}
      {door?.first && (
        <>
          <p>
            Nobody has a key to this shop yet: whoever reaches this machine works in it, under any name. Make the first
            owner, and from then on everybody comes in with a key of their own.
          </p>
          <FirstOwnerForm onIn={enter} />
        </>
      )}
      {door && !door.first && (
        <>
          {door.people.length > 0 && (
            <section aria-label="With a number">
              <h2>At this bench</h2>
              <PinForm people={door.people} onIn={enter} />
            </section>
          )}
          <section aria-label="With a password" className="mt-4">
            <h2>With a password</h2>
            <PasswordForm onIn={enter} />
          </section>
        </>
      )}
    </main>
  );
}
