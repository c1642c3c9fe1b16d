'use client';

import { useId, useState } from 'react';
import { useJob } from '@/job/JobContext';
import { Button, Form } from '@/ui/bootstrap';
import { TextField } from '@/ui/fields';
import { useWrongField } from '@/ui/useWrongField';
import { capital } from '@/ui/words';

/** Writes a note, or what was decided and why, in the logbook of the job. */
export function NoteForm() {
  const { write } = useJob();
  const id = useId();
  const [kind, setKind] = useState<'note' | 'decision'>('note');
  const [text, setText] = useState('');
  const [choice, setChoice] = useState('');
  const [reason, setReason] = useState('');
  const wrong = useWrongField();
  const submit = () => {
    if (text.trim() === '')
      return wrong.say('text', kind === 'note' ? 'Write something first.' : 'Say what had to be decided.');
    if (kind === 'decision' && choice.trim() === '') return wrong.say('choice', 'Say what was decided.');
    if (kind === 'decision' && reason.trim() === '')
      return wrong.say('reason', 'Say why: whoever meets the instrument next will ask.');
    wrong.sayNothing();
    const written = kind === 'note' ? write('note', { text }) : write('decision', { question: text, choice, reason });
    if (!written) return;
    setText('');
    setChoice('');
    setReason('');
  };
  return (
    <form
      className="sheet"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <h2>Write in the logbook</h2>
      <div className="d-flex gap-4 mb-2">
        {(['note', 'decision'] as const).map((each) => (
          <Form.Check
            key={each}
            id={`${id}-${each}`}
            type="radio"
            name={`${id}-kind`}
            label={capital(each)}
            checked={kind === each}
            onChange={() => setKind(each)}
          />
        ))}
      </div>
      <TextField
        label={kind === 'note' ? 'Note' : 'What had to be decided'}
        rows={2}
        className="mb-2"
        value={text}
        set={setText}
        wrongBy={wrong.wrongBy('text')}
      />
      {kind === 'decision' && (
        <>
          <TextField
            label="What was decided"
            className="mb-2"
            value={choice}
            set={setChoice}
            wrongBy={wrong.wrongBy('choice')}
          />
          <TextField label="Why" className="mb-2" value={reason} set={setReason} wrongBy={wrong.wrongBy('reason')} />
        </>
      )}
      {wrong.line}
      <Button type="submit">Write it down</Button>
    </form>
  );
}
