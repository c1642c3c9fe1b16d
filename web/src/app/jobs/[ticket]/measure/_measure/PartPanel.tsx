'use client';

import type { MeasureGroup } from '@holotonos/core';
import type { FunctionComponent, ReactNode } from 'react';
import { useJob } from '@/job/JobContext';
import { BellPanel } from './BellPanel';
import { BushingPanel } from './BushingPanel';
import { PadPanel } from './PadPanel';
import { JointPasses, LinePasses } from './PassPanel';
import { ReportPanel } from './ReportPanel';
import { RimPanel } from './RimPanel';
import { RodPanel } from './RodPanel';

interface Props {
  group: MeasureGroup;
  part: string;
  /** what is suggested of the part */
  answers: ReactNode;
  /** the clock that is asked for */
  here: number | null;
  /** where the hole of the key lies that a bell is gauged by; undefined for the largest */
  gaugeKey: number | undefined;
  onGaugeKey: (at: number | undefined) => void;
  go: (group: MeasureGroup, part: string) => void;
}

function Told({ group, part }: Props) {
  const { judgement, state } = useJob();
  return <ReportPanel report={judgement.parts.get(`${group}:${part}`) ?? null} unit={state.unit} />;
}

type Panels = Partial<Record<MeasureGroup, FunctionComponent<Props>>>;

/** Groups whose picture stands in place of what a report says. */
const pictures: Panels = {
  pad: function Pad({ part, here, answers }) {
    const pad = useJob().judgement.pads.get(part);
    return pad && <PadPanel pad={pad} here={here} answers={answers} />;
  },
  rim: function Rim({ part }) {
    const { judgement, state } = useJob();
    const rim = judgement.rims.get(part);
    return rim && <RimPanel rim={rim} unit={state.unit} />;
  },
};

/** What a group shows below what its report says. */
const below: Panels = {
  'body-line': function Line({ part, gaugeKey, onGaugeKey }) {
    const report = useJob().judgement.parts.get(`body-line:${part}`) ?? null;
    return (
      <>
        <LinePasses part={part} report={report} />
        <BellPanel part={part} report={report} at={gaugeKey} onKey={onGaugeKey} />
      </>
    );
  },
  'joint': function Joint({ part }) {
    return <JointPasses part={part} report={useJob().judgement.parts.get(`joint:${part}`) ?? null} />;
  },
  'hinge': function Hinge({ part, go }) {
    return <RodPanel part={part} onKey={(key) => go('hinge', key)} />;
  },
  'post': function Post({ part }) {
    return <BushingPanel key={part} part={part} />;
  },
};

/** What the figures of a part say, and what is to be done about it. */
export function PartPanel(props: Props) {
  const Picture = pictures[props.group] ?? Told;
  const Below = below[props.group];
  return (
    <>
      <Picture {...props} />
      {Below && <Below {...props} />}
      {/* A pad has them beside its picture. */}
      {props.group !== 'pad' && props.answers}
    </>
  );
}
