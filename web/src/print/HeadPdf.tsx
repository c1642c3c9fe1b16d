import { Circle, G, Path, Svg, Text, View } from '@react-pdf/renderer';
import { wholeState, type InstrumentType, type MeasureState } from '@holotonos/core';
import type { ReactNode } from 'react';
import { pictureOf, type PictureRole } from '@/tube/picture';
import { stateGeometry } from '@/ui/stateGeometry';
import { inPrint, styles } from './sheet';

interface Ink {
  fill?: string;
  stroke?: string;
  width?: number;
  dashes?: string;
}
/** Greys only: a sheet is copied and printed in black and white. */
const inks: Record<PictureRole, Ink> = {
  tube: { fill: '#e9ebec', stroke: '#4b4441', width: 0.8 },
  shade: { fill: '#d2d6d9' },
  light: { fill: '#f9fafa' },
  ring: { stroke: '#4b4441', width: 1.4 },
  behind: { stroke: '#7d868c', width: 0.6, dashes: '1.6 1.2' },
  hole: { fill: '#4b4441' },
  rod: { stroke: '#6d757a', width: 1.1 },
  post: { fill: '#4b4441' },
  hinge: { stroke: '#6d757a', width: 2.4 },
  arm: { stroke: '#6d757a', width: 1.5 },
  cup: { fill: '#ffffff', stroke: '#241a17', width: 0.8 },
  pearl: { fill: '#ffffff', stroke: '#7d868c', width: 0.5 },
  touch: { fill: '#ffffff', stroke: '#4b4441', width: 0.7 },
};
const black = '#241a17';

/** The shape of a state, as on the screen: shape says it, for here there is no colour. */
export function StateInk({ state, size, x, y }: { state: MeasureState; size: number; x: number; y: number }) {
  const { r, stroke, wedge, half, broken } = stateGeometry(size);
  const ring = <Circle cx={0} cy={0} r={r} fill="#ffffff" stroke={black} strokeWidth={stroke} />;
  return (
    <G transform={`translate(${x} ${y})`}>
      {state === 'within' && <Circle cx={0} cy={0} r={r} fill={black} />}
      {state === 'outside' && <Path d={wedge} fill={black} />}
      {(state === 'unmeasured' || state === 'undecided') && ring}
      {state === 'undecided' && <Path d={half} fill={black} />}
      {state === 'stale' && <Circle cx={0} cy={0} r={r} stroke={black} strokeWidth={stroke} strokeDasharray={broken} />}
    </G>
  );
}

/** How high and how wide a picture may be on a sheet, points. */
const most = { width: 220, height: 90 };

/** The instrument as the eye knows it, with how its pads and rims stand; what nobody measured is left bare. */
function PictureInk({ type, states: all }: Pictured) {
  const { box, strokes, holes } = pictureOf(type);
  const scale = Math.min(most.width / box.width, most.height / box.height);
  return (
    <Svg
      viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
      style={{ width: box.width * scale, height: box.height * scale }}
    >
      {strokes.map(({ role, d }, i) => {
        const { fill = 'none', stroke, width, dashes } = inks[role];
        return (
          <Path
            key={i}
            d={d}
            fill={fill}
            {...(stroke && { stroke, strokeWidth: width })}
            {...(dashes && { strokeDasharray: dashes })}
          />
        );
      })}
      {holes.map(({ id, x, y, radius }) => {
        const states = (all.get(id) ?? []).filter((state) => state !== 'unmeasured');
        return states.length > 0 ? (
          <StateInk key={id} state={wholeState(states)} size={Math.max(4.5, Math.min(8, radius * 0.6))} x={x} y={y} />
        ) : null;
      })}
    </Svg>
  );
}

/** What a sheet of a job shows of its instrument. */
export interface Pictured {
  type: InstrumentType;
  /** of its holes, by id */
  states: ReadonlyMap<string, readonly MeasureState[]>;
}

/** The head that all sheets of a job share: what the sheet is, of which instrument, and its picture. */
export function HeadPdf({ title, pictured, children }: { title: string; pictured: Pictured; children?: ReactNode }) {
  return (
    <View style={{ flexDirection: 'row', gap: 14, marginBottom: 4 }}>
      <View style={{ flex: 1 }}>
        <Text style={styles.title}>{inPrint(title)}</Text>
        {children}
      </View>
      <PictureInk {...pictured} />
    </View>
  );
}
