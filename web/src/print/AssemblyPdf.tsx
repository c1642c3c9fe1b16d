import { Text, View } from '@react-pdf/renderer';
import { placeWords, type JobAssembly } from '@holotonos/core';
import { HeadPdf, type Pictured } from './HeadPdf';
import { inPrint, Lines, Part, Sheet, styles } from './sheet';

/** The way back: every part in the order it goes on, where it lies, and room for a tick. */
export function AssemblyPdf({
  ticket,
  pictured,
  assembly,
}: {
  ticket: string;
  pictured: Pictured;
  assembly: JobAssembly;
}) {
  const { lines, contradictions } = assembly;
  return (
    <Sheet title="the way back" ticket={ticket}>
      <HeadPdf title={`${ticket}: the way back, ${pictured.type.name}`} pictured={pictured}>
        <Text style={styles.soft}>The strip-down read backwards, corrected by what passes over what.</Text>
      </HeadPdf>
      {contradictions.length > 0 && (
        <Part title="These cannot all be true">
          <Lines
            lines={contradictions.map(
              ({ reasons, setAside }) => `${reasons.join('; ')}. Set aside: ${setAside.reason}.`,
            )}
            empty=""
          />
        </Part>
      )}
      <Part title={`${lines.length} parts to put back`}>
        {lines.map(({ part, name, cell, where, reasons, missing, note }, i) => (
          <View key={part} style={styles.row} wrap={false}>
            <View
              style={{ width: 11, height: 11, borderWidth: 1, borderColor: '#241a17', marginRight: 8, marginTop: 1 }}
            />
            <Text style={{ width: 26, color: '#4b4441' }}>{i + 1}</Text>
            <Text style={{ width: 92 }}>{cell ?? placeWords({ where })}</Text>
            <View style={{ flex: 1 }}>
              <Text>{inPrint(name)}</Text>
              {[missing, ...reasons, note].filter(Boolean).map((words) => (
                <Text key={words} style={styles.soft}>
                  {inPrint(words ?? '')}
                </Text>
              ))}
            </View>
          </View>
        ))}
        {lines.length === 0 && <Text>Nothing is off.</Text>}
      </Part>
    </Sheet>
  );
}
