'use client';

import {
  blankType,
  families,
  homeMadeId,
  lengthUnits,
  practiceNames,
  practices,
  parseNumber,
  scopes,
  unitNames,
  type EntryBody,
} from '@holotonos/core';
import { useRouter } from 'next/navigation';
import { useId, useState } from 'react';
import { useController, useForm, useWatch, type UseFormRegister } from 'react-hook-form';
import { v4 as newId } from 'uuid';
import { bodyResolver } from '@/ui/bodyResolver';
import { useBench } from '@/frame/BenchContext';
import { Button, Form } from '@/ui/bootstrap';
import { unnamed } from '@/job/unnamed';
import { capital } from '@/ui/words';
import type { TypeChoice } from '@/server/types';

type Intake = EntryBody<'intake'>;

const problemWords = {
  ticket: 'Give the ticket a number of letters, digits and hyphens, such as LL-205.',
  owner: 'Whose instrument is it?',
  instrumentType: 'Choose the type nearest to it.',
  dueBy: 'Give a whole date, or leave it open.',
  promise: 'Give hours as a figure, such as 2 or 1.5, or leave it empty.',
};

/** Hours as they are typed, as minutes; nothing typed is nothing promised. */
const minutesOf = (typed: unknown): number | undefined =>
  typeof typed !== 'string'
    ? (typed as number | undefined)
    : typed.trim() === ''
      ? undefined
      : (parseNumber(typed) ?? NaN) * 60;
const scopeWords = { overhaul: 'Full overhaul', repair: 'Only what is needed' };

/** Fields of one line or box of text. */
type TextName = Exclude<keyof Intake, 'type' | 'options' | 'promise'>;

interface FieldProps {
  name: TextName;
  label: string;
  register: UseFormRegister<Intake>;
  problem?: string | undefined;
  hint?: string;
  rows?: number;
  type?: string;
  required?: boolean;
}

function TextField({ name, label, register, problem, hint, rows, type = 'text', required = false }: FieldProps) {
  const id = useId();
  const says = [problem && `${id}-problem`, hint && `${id}-hint`].filter(Boolean).join(' ');
  const shared = {
    id,
    'isInvalid': problem !== undefined,
    'aria-describedby': says || undefined,
    'aria-required': required,
    ...register(name),
  };
  return (
    <div className="mb-3">
      <Form.Label htmlFor={id}>
        {label}
        {required && <span className="soft"> (needed)</span>}
      </Form.Label>
      {rows ? <Form.Control as="textarea" rows={rows} {...shared} /> : <Form.Control type={type} {...shared} />}
      {hint && (
        <Form.Text id={`${id}-hint`} className="soft">
          {hint}
        </Form.Text>
      )}
      {problem && (
        <Form.Control.Feedback type="invalid" id={`${id}-problem`}>
          {problem}
        </Form.Control.Feedback>
      )}
    </div>
  );
}

/** Intake: who, what, what is wrong, what may be changed; family, practice and unit of the job. */
export function IntakeForm({ types }: { types: readonly TypeChoice[] }) {
  const { author } = useBench();
  const router = useRouter();
  const [failure, setFailure] = useState<string | null>(null);
  // One id and time for one form: sending it again after silence opens one job.
  const [attempt, setAttempt] = useState<{ id: string; benchTime: string } | null>(null);
  const {
    register,
    handleSubmit,
    control,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Intake>({
    resolver: bodyResolver<Intake>('intake', problemWords),
    defaultValues: {
      family: 'saxophone',
      instrumentType: 'alto-saxophone',
      practice: 'steady',
      scope: 'overhaul',
      unit: 'mm',
      options: [],
      photographed: false,
      protectedMaterial: false,
      spareFinish: false,
    },
  });
  const [family, practice, protectedMaterial, typeId, scope] = useWatch({
    control,
    name: ['family', 'practice', 'protectedMaterial', 'instrumentType', 'scope'],
  });
  // Its choices change with the family: what is shown has to follow what is chosen, not what the list last had.
  const { field: nearest } = useController({ control, name: 'instrumentType' });
  const ofFamily = (name: string) => types.filter((type) => type.family === name);
  const choices = ofFamily(family).length > 0 ? ofFamily(family) : types;
  const chosen = types.find(({ id }) => id === typeId);
  const field = (name: TextName) => ({ name, register, problem: errors[name]?.message });

  /** The body with the type it needs to carry: one that ships is known everywhere by its id. */
  const withType = async (body: Intake): Promise<Intake> => {
    const { options = [], ...plain } = body;
    const offered = options.filter((option) => chosen?.options.some(({ id }) => id === option));
    const instrument = { ...plain, ...(offered.length > 0 && { options: offered }) };
    if (body.instrumentType === homeMadeId)
      return { ...instrument, type: { ...blankType(body.family, body.model?.trim() || 'Unknown instrument') } };
    if (!chosen || chosen.ships) return instrument;
    const answer = await fetch(`/api/v1/types/${encodeURIComponent(chosen.id)}`);
    if (!answer.ok) throw new Error('the type could not be fetched');
    return { ...instrument, type: (await answer.json()) as Record<string, unknown> };
  };

  const submit = handleSubmit(async (filled) => {
    setFailure(null);
    const stamp = attempt ?? { id: newId(), benchTime: new Date().toISOString() };
    setAttempt(stamp);
    try {
      const body = await withType(filled);
      const entry = { ...stamp, kind: 'intake', body, author: author.trim() || unnamed };
      const response = await fetch('/api/v1/jobs', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(entry),
      });
      if (response.ok) return router.push(`/jobs/${body.ticket}`);
      // What was refused may be changed and is then another entry.
      setAttempt(null);
      const answer = (await response.json()) as { message?: string; problems?: { path: string; message: string }[] };
      if (response.status === 409)
        setError('ticket', { message: answer.message ?? 'That ticket number is in use.' }, { shouldFocus: true });
      else
        setFailure(
          answer.message ??
            answer.problems?.map(({ path, message }) => `${path} ${message}`).join('; ') ??
            'It was refused.',
        );
    } catch {
      setFailure('The server does not answer. Your words are still here; try again in a moment.');
    }
  });

  const familyField = register('family', {
    onChange: (event: { target: { value: string } }) =>
      setValue('instrumentType', ofFamily(event.target.value)[0]?.id ?? homeMadeId),
  });
  return (
    <form onSubmit={(event) => void submit(event)} noValidate>
      <div className="split">
        <div className="sheet">
          <h2>The instrument</h2>
          <div className="row">
            <div className="col-sm-4">
              <TextField {...field('ticket')} label="Ticket" required />
            </div>
            <div className="col-sm-8">
              <TextField {...field('owner')} label="Owner" required />
            </div>
          </div>
          <TextField {...field('contact')} label="How to reach them" />
          <div className="row">
            <div className="col-sm-5 mb-3">
              <Form.Label htmlFor="family">Family</Form.Label>
              <Form.Select id="family" {...familyField}>
                {families.map((name) => (
                  <option key={name} value={name}>
                    {capital(name)}
                  </option>
                ))}
              </Form.Select>
            </div>
            <div className="col-sm-7 mb-3">
              <Form.Label htmlFor="instrumentType">Nearest type</Form.Label>
              <Form.Select id="instrumentType" {...nearest}>
                {choices.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
                <option value={homeMadeId}>Never met before: start from nothing</option>
              </Form.Select>
            </div>
          </div>
          {chosen && chosen.options.length > 0 && (
            <fieldset className="mb-3">
              <legend className="fs-6">It has</legend>
              <div className="d-flex flex-wrap gap-3">
                {chosen.options.map(({ id, name }) => (
                  <Form.Check
                    key={id}
                    id={`option-${id}`}
                    type="checkbox"
                    value={id}
                    label={name}
                    {...register('options')}
                  />
                ))}
              </div>
            </fieldset>
          )}
          {typeId === homeMadeId && (
            <p className="soft">
              The ticket opens with one bare tube. Name keys, holes and posts in your own words as you meet them;
              nothing has to be known before work can start.
            </p>
          )}
          <div className="row">
            <div className="col-sm-6">
              <TextField {...field('maker')} label="Maker" />
            </div>
            <div className="col-sm-6">
              <TextField {...field('model')} label="Model" />
            </div>
            <div className="col-sm-6">
              <TextField {...field('serial')} label="Serial number" />
            </div>
            <div className="col-sm-6">
              <TextField {...field('made')} label="When made" />
            </div>
            <div className="col-sm-6">
              <TextField {...field('material')} label="Material" />
            </div>
            <div className="col-sm-6">
              <TextField {...field('finish')} label="Finish" />
            </div>
          </div>
          <Form.Check
            id="photographed"
            className="mb-2"
            type="checkbox"
            label="Photographed from all sides"
            {...register('photographed')}
          />
          <Form.Check
            id="protectedMaterial"
            type="checkbox"
            label="May hold ivory, tortoiseshell, lead paint or other protected or hazardous material"
            {...register('protectedMaterial')}
          />
          <Form.Check
            id="spareFinish"
            className="mt-2"
            type="checkbox"
            label="Not to be polished: brittle old lacquer, thin plate or sharp engraving"
            {...register('spareFinish')}
          />
          {protectedMaterial && (
            <p className="say attention mt-2 mb-0">
              Ivory and other protected materials, lead paint and instruments of museum value are often refused or
              referred. Check the law and ask a qualified person before any work, sale or transport.
            </p>
          )}
        </div>
        <div>
          <div className="sheet">
            <h2>What the owner says</h2>
            <TextField {...field('complaint')} label="What is wrong" rows={2} />
            <TextField {...field('playing')} label="What they play, and how" />
            <TextField {...field('lastPadded')} label="Last padded" />
            <TextField {...field('mayChange')} label="What may and may not be changed" rows={2} />
            <TextField {...field('testPlay')} label="Test play: where it fails" rows={2} />
          </div>
          <div className="sheet">
            <h2>How the job is run</h2>
            <fieldset className="mb-3">
              <legend className="fs-6">Practice</legend>
              {practiceNames.map((name) => (
                <Form.Check
                  key={name}
                  id={`practice-${name}`}
                  className="mb-2"
                  type="radio"
                  value={name}
                  label={practices[name].title}
                  {...register('practice')}
                />
              ))}
              <p className="soft mb-0" aria-live="polite">
                {practices[practice].holds}
              </p>
            </fieldset>
            <div className="row">
              <div className="col-sm-4 mb-3">
                <Form.Label htmlFor="scope">Scope</Form.Label>
                <Form.Select id="scope" {...register('scope')}>
                  {scopes.map((name) => (
                    <option key={name} value={name}>
                      {scopeWords[name]}
                    </option>
                  ))}
                </Form.Select>
              </div>
              {scope === 'repair' && (
                <div className="col-sm-4 mb-3">
                  <Form.Label htmlFor="promise">Hours promised</Form.Label>
                  <Form.Control
                    id="promise"
                    inputMode="decimal"
                    aria-describedby="promise-hint promise-problem"
                    isInvalid={errors.promise !== undefined}
                    {...register('promise', { setValueAs: minutesOf, shouldUnregister: true })}
                  />
                  <Form.Text id="promise-hint" className="soft">
                    Empty: a result is promised, not hours.
                  </Form.Text>
                  <Form.Control.Feedback type="invalid" id="promise-problem">
                    {errors.promise?.message}
                  </Form.Control.Feedback>
                </div>
              )}
              <div className="col-sm-4 mb-3">
                <Form.Label htmlFor="unit">Unit</Form.Label>
                <Form.Select id="unit" {...register('unit')}>
                  {lengthUnits.map((name) => (
                    <option key={name} value={name}>
                      {capital(unitNames[name])}
                    </option>
                  ))}
                </Form.Select>
              </div>
              <div className="col-sm-4">
                <TextField {...field('dueBy')} label="Due" type="date" />
              </div>
            </div>
          </div>
          {failure && (
            <p className="say fault" role="alert">
              {failure}
            </p>
          )}
          <Button type="submit" disabled={isSubmitting}>
            {isSubmitting ? 'Opening …' : 'Open the ticket'}
          </Button>
        </div>
      </div>
    </form>
  );
}
