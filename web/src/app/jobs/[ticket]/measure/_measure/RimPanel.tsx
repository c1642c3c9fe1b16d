'use client';

import { printLength, printWithUncertainty, type LengthUnit, type RimReport } from '@holotonos/core';
import { RimChart } from './RimChart';

/** A rim as its readings show it. */
export function RimPanel({ rim, unit }: { rim: RimReport; unit: LengthUnit }) {
  return (
    <>
      <RimChart report={rim} unit={unit} />
      {rim.rim && rim.flatness ? (
        <dl className="row mb-0 mt-2">
          <dt className="col-5">Flatness</dt>
          <dd className="col-7">
            {printWithUncertainty(rim.rim.flatness, rim.flatness.expandedUncertainty, unit)}, limit{' '}
            {printLength(rim.limits.flatness, unit)}
          </dd>
          <dt className="col-5">Tilt across the rim</dt>
          <dd className="col-7">
            {printLength(rim.rim.tilt, unit)}, limit {printLength(rim.limits.tilt, unit)}
            {rim.rim.highClock !== null && <>; high at {Math.round(rim.rim.highClock)}°</>}
          </dd>
          {rim.rim.ellipse && (
            <>
              <dt className="col-5">Ovality</dt>
              <dd className="col-7">
                {printLength(rim.rim.ellipse.ovality, unit)}, limit {printLength(rim.limits.ovality, unit)}
              </dd>
            </>
          )}
        </dl>
      ) : (
        <p className="soft mt-2 mb-0">Six heights or more make the plane. Diameters across the hole are optional.</p>
      )}
    </>
  );
}
