'use client';

import { useState } from 'react';
import { Button } from '@/ui/bootstrap';
import { TextField } from '@/ui/fields';
import { askDoor } from './keysApi';

/** Shuts an open shop: whoever fills this in is its owner from then on, and this browser its first bench. */
export function FirstOwnerForm({ onIn }: { onIn: () => void }) {
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState('');
  const submit = async () => {
    const answer = await askDoor('/first-owner', { name: name.trim(), email: email.trim(), password });
    if (!answer.ok) return setProblem(answer.message);
    onIn();
  };
  return (
    <form
      aria-label="The first owner"
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <TextField label="Name" autoComplete="name" value={name} set={setName} />
      <TextField label="E-mail address" type="email" autoComplete="username" value={email} set={setEmail} />
      <TextField
        label="Password, 10 characters or more"
        type="password"
        autoComplete="new-password"
        value={password}
        set={setPassword}
      />
      {problem && (
        <p role="alert" className="say fault">
          {problem}
        </p>
      )}
      <p className="soft">Nobody can send you a forgotten password: a second owner, or a backup, is what helps then.</p>
      <Button type="submit">Make the first owner</Button>
    </form>
  );
}
