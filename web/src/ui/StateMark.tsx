import { measureStateWords, type MeasureState } from '@holotonos/core';

/** The shape of a state, in a box of 10 × 10 about the origin: shape says it first, colour second. */
export function StateShape({ state, size = 5 }: { state: MeasureState; size?: number }) {
  const r = size * 0.8;
  const stroke = size * 0.3;
  return (
    <g className={`mark ${state}`} strokeWidth={stroke}>
      {state === 'unmeasured' && <circle r={r} />}
      {state === 'within' && <circle r={r} className="solid" />}
      {state === 'outside' && (
        <path d={`M0 ${-size} L${size} ${size * 0.8} L${-size} ${size * 0.8} Z`} className="solid" />
      )}
      {state === 'undecided' && (
        <>
          <circle r={r} />
          <path d={`M0 ${-r} A${r} ${r} 0 0 1 0 ${r} Z`} className="solid" />
        </>
      )}
      {state === 'stale' && <circle r={r} strokeDasharray={`${size * 0.95} ${size * 0.72}`} />}
    </g>
  );
}

/** A state in a line of text: its shape, and its word for everyone. */
export function StateMark({ state, word = true }: { state: MeasureState; word?: boolean }) {
  return (
    <span className="state-word">
      <svg
        width="18"
        height="18"
        viewBox="-6 -6 12 12"
        role={word ? undefined : 'img'}
        aria-hidden={word}
        aria-label={word ? undefined : measureStateWords[state]}
      >
        <StateShape state={state} />
      </svg>
      {word && <span>{measureStateWords[state]}</span>}
    </span>
  );
}
