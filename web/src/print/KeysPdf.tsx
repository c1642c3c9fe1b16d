import { Circle, Path, Svg, Text, View } from '@react-pdf/renderer';
import { measureStateWords, type MeasureState } from '@holotonos/core';
import type { ReactNode } from 'react';
import { pageKeys } from '@/frame/pageKeys';
import { Dial } from './Dial';
import { StateInk } from './HeadPdf';
import { inPrint, Part, Sheet, styles } from './sheet';

/** Signs the printed face lacks, in words. */
const signs: Readonly<Record<string, string>> = { '↓': 'Down', '↑': 'Up', '←': 'Left', '→': 'Right', '−': '-' };
const printedKeys = (keys: string) => keys.replace(/[↓↑←→−]/g, (sign) => signs[sign] ?? sign);

/** What each state asks of whoever sees it. */
const stateSays: Record<MeasureState, string> = {
  unmeasured: 'nobody has read it yet',
  within: 'sound, by the practice of the job and the doubt of the gauge',
  outside: 'to be put right: press it to see the reading, the limit and the rule',
  undecided: 'too near the limit for this gauge: more readings, or a finer gauge',
  stale: 'something was done since: read it again before relying on it',
};

/** Colours by what they mean, each with the shape that says it where there is no colour. */
const inks: readonly { ink: string; name: string; says: string }[] = [
  { ink: '#0b5c52', name: 'Verdigris', says: 'what can be done now, and what is sound' },
  { ink: '#7a5200', name: 'Brass ochre', says: 'what asks for attention: in doubt, stale, waiting' },
  { ink: '#98202f', name: 'Madder red', says: 'a fault, or what must not be done' },
  { ink: '#ffd873', name: 'Glow', says: 'light that comes through: a leak, where it is open' },
];

/** A sign about the middle of its box. */
const Sign = ({ children }: { children: ReactNode }) => (
  <Svg viewBox="-8 -8 16 16" style={{ width: 24, height: 24 }}>
    {children}
  </Svg>
);

/** A sample of a picture beside what it says. */
function Sample({ picture, name, says }: { picture: ReactNode; name: string; says: string }) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, marginBottom: 6 }} wrap={false}>
      <View style={{ width: 34, alignItems: 'center' }}>{picture}</View>
      <Text style={{ width: 92, fontWeight: 700 }}>{name}</Text>
      <Text style={{ flex: 1 }}>{inPrint(says)}</Text>
    </View>
  );
}

/** A card of two pages to hang at the bench: the keys, and what shapes and colours say. */
export function KeysPdf() {
  const groups = Object.entries(pageKeys);
  const lines = (of: typeof groups) => of.reduce((sum, [, { keys }]) => sum + keys.length + 1.5, 0);
  const cut = groups.findIndex((_, i) => lines(groups.slice(0, i + 1)) > lines(groups) / 2);
  const columns = [groups.slice(0, cut), groups.slice(cut)];
  return (
    <Sheet title="keys, shapes and colours" ticket="Holotonos">
      <Text style={styles.title}>Keys at the bench</Text>
      <View style={{ flexDirection: 'row', gap: 18 }}>
        {columns.map((column, i) => (
          <View key={i} style={{ flex: 1 }}>
            {column.map(([id, { title, keys }]) => (
              <View key={id} style={{ marginTop: 5 }} wrap={false}>
                <Text style={{ fontWeight: 700, fontSize: 9 }}>{title}</Text>
                {keys.map(({ keys: pressed, does }) => (
                  <View key={pressed} style={{ flexDirection: 'row', gap: 6, fontSize: 7.2, lineHeight: 1.25 }}>
                    <Text style={{ width: 74, fontWeight: 700 }}>{printedKeys(pressed)}</Text>
                    <Text style={{ flex: 1 }}>{does}</Text>
                  </View>
                ))}
              </View>
            ))}
          </View>
        ))}
      </View>
      <View break>
        <Text style={styles.title}>Shapes and colours</Text>
        <Part title="How a measure stands">
          {(Object.keys(stateSays) as MeasureState[]).map((state) => (
            <Sample
              key={state}
              picture={
                <Sign>
                  <StateInk state={state} size={6} x={0} y={0} />
                </Sign>
              }
              name={measureStateWords[state]}
              says={stateSays[state]}
            />
          ))}
        </Part>
        <Part title="Light at a pad">
          <Sample
            picture={<Dial sectors={[0, 90, 180, 270]} size={30} />}
            name="eight sectors"
            says="The front of the pad, away from its hinge, is at the top, and is the first; they count clockwise. Light shows where a sector is filled."
          />
        </Part>
        <Part title="Colours">
          {inks.map(({ ink, name, says }) => (
            <Sample
              key={name}
              picture={
                <Svg viewBox="0 0 24 24" style={{ width: 22, height: 22 }}>
                  <Circle cx={12} cy={12} r={11} fill={ink} stroke="#241a17" strokeWidth={0.6} />
                </Svg>
              }
              name={name}
              says={says}
            />
          ))}
        </Part>
        <Part title="On the map">
          <Sample
            picture={
              <Sign>
                <Path d="M0 7 v-12 l8 3.5 l-8 3.5" fill="#241a17" stroke="#241a17" strokeWidth={1} />
              </Sign>
            }
            name="flag"
            says="findings are written down here"
          />
          <Sample
            picture={
              <Sign>
                <Circle cx={0} cy={0} r={6} fill="#ffffff" stroke="#0b5c52" strokeWidth={2} />
              </Sign>
            }
            name="ring round a part"
            says="the part in work"
          />
          <Sample
            picture={
              <Sign>
                <Circle cx={0} cy={0} r={6} fill="#ffffff" stroke="#4b4441" strokeWidth={1} strokeDasharray="2 1.5" />
              </Sign>
            }
            name="dashed part"
            says="off the instrument, or a figure nobody has measured"
          />
        </Part>
      </View>
    </Sheet>
  );
}
