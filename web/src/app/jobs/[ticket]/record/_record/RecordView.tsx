'use client';

import { jobRecord, planBasis } from '@holotonos/core';
import { useMemo } from 'react';
import { ForThose } from '@/frame/ForThose';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { RecordSheet } from './RecordSheet';
import { SignOff } from './SignOff';
import { TakeAway } from './TakeAway';

/** The record that goes home with the instrument, and the ways out of here. */
export function RecordView() {
  const { ticket, state, type, now, shop } = useJob();
  const record = useMemo(() => jobRecord(state, type, now, planBasis(shop)), [state, type, now, shop]);
  if (!record) return null;
  const { unit } = state;
  const { signOff } = record;
  return (
    <Bands
      work={
        <div className="split">
          <RecordSheet record={record} unit={unit} />
          <div>
            {!signOff && (
              <ForThose act="judge">
                <SignOff record={record} />
              </ForThose>
            )}
            <TakeAway ticket={ticket} hasCheckUp={typeof signOff?.checkUp === 'string'} />
          </div>
        </div>
      }
      says={
        <div className="readout-plain">
          <span className="next">{signOff ? `Signed by ${signOff.by}` : 'Not signed yet'}</span>
          <span className="soft">
            {record.found.length} found · {record.done.length} done · {record.left.length} left
          </span>
        </div>
      }
    />
  );
}
