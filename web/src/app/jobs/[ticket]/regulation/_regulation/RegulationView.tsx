'use client';

import { landingWords, stateOf } from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useRef } from 'react';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useJob } from '@/job/JobContext';
import { RegulationBench } from '@/regulation/RegulationBench';
import { OwnSetting } from '@/regulation/OwnSetting';
import { useRegulation, type RegulationDesk } from '@/regulation/useRegulation';
import { LateForm } from './LateForm';
import { RuleList } from './RuleList';
import { WhatToTurn } from './WhatToTurn';

/** What is no fault of regulation: pads that leak by themselves, hinges that let a pad land elsewhere each time. */
function NotRegulation({ desk }: { desk: RegulationDesk }) {
  const { type, judgement, name } = desk;
  const { ticket } = useJob();
  const linked = new Set(type.links.flatMap(({ driver, follower }) => [driver, follower]));
  const leaking = type.pads.filter(({ hole }) => stateOf(judgement, 'pad', hole) === 'outside').map(({ hole }) => hole);
  const loose = type.keys.filter(({ id }) => linked.has(id) && stateOf(judgement, 'hinge', id) === 'outside');
  const places = (group: string, parts: readonly string[]) =>
    parts.map((part, i) => (
      <span key={part}>
        {i > 0 && ', '}
        <Link href={`/jobs/${ticket}/measure?group=${group}&part=${part}`}>{name(part)}</Link>
      </span>
    ));
  const isUnseen = (group: string, part: string) => (stateOf(judgement, group, part) ?? 'unmeasured') === 'unmeasured';
  const unseen = type.pads.filter(({ hole, key }) => linked.has(key) && isUnseen('pad', hole));
  const [first] = unseen;
  const unfelt = type.keys.filter(({ id }) => linked.has(id) && isUnseen('spring', id));
  const [spring] = unfelt;
  // The last of the round: a spring that is set before the keys land right is set twice.
  const roundIsOver = desk.index === desk.stops.length - 1;
  return (
    <>
      {first && (
        <p className="soft mb-0">
          Cups first: {unseen.length === 1 ? 'one pad' : `${unseen.length} pads`} of these keys nobody has looked at.{' '}
          <Link href={`/jobs/${ticket}/look?group=pad&part=${first.hole}`}>Look them over</Link>, each by itself, with
          the adjusters off.
        </p>
      )}
      {roundIsOver && spring && (
        <p className="soft mb-0">
          Springs last: {unfelt.length === 1 ? 'one' : unfelt.length} of these keys nobody has felt.{' '}
          <Link href={`/jobs/${ticket}/look?group=spring&part=${spring.id}`}>Go through them</Link>.
        </p>
      )}
      {leaking.length > 0 && (
        <p className="say attention mb-0">
          A leak of one pad is no fault of regulation. First see to {places('pad', leaking)}.
        </p>
      )}
      {loose.length > 0 && (
        <p className="say attention mb-0">
          A pad on a loose hinge lands elsewhere each time: no adjuster cures it. First see to{' '}
          {places(
            'hinge',
            loose.map(({ id }) => id),
          )}
          .
        </p>
      )}
    </>
  );
}

/** Press it, walk it, solve it: the links of an instrument, each from its own driver. */
export function RegulationView() {
  const desk = useRegulation();
  const { type, link, back } = desk;
  const figure = useRef<HTMLInputElement>(null);
  usePageKeys(pageKeys.regulation.keys);
  const words = link && landingWords(type, link);
  const onKey = (key: string) => {
    // What could begin a figure goes to the field: the key itself is typed there.
    if (!/^[-−\d.,]$/.test(key)) return desk.press(key.toLowerCase());
    figure.current?.focus();
    return false;
  };
  const ask = (
    <>
      <div className="fault-keys" role="group" aria-label="What the light or the film shows">
        {desk.choices.map((choice) => (
          <button
            key={choice.id}
            type="button"
            className={choice.verdict}
            onClick={() => {
              desk.answer(choice);
              back();
            }}
          >
            <kbd>{choice.press}</kbd>{' '}
            {choice.id === 'driver-first' && words
              ? words.driver
              : choice.id === 'follower-first' && words
                ? words.follower
                : choice.words}
          </button>
        ))}
      </div>
      <LateForm key={desk.index} desk={desk} field={figure} />
    </>
  );
  return (
    <RegulationBench
      desk={desk}
      label="Letters write what the light or the film shows."
      ask={ask}
      onKey={onKey}
      notes={<NotRegulation desk={desk} />}
    >
      <WhatToTurn desk={desk} />
      <OwnSetting desk={desk} />
      <RuleList desk={desk} />
    </RegulationBench>
  );
}
