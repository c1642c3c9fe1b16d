import { Text, View } from '@react-pdf/renderer';
import { countWords, stockTable, bagTitle, type StockItemBody, type StockKind } from '@holotonos/core';
import { counted } from '@/ui/words';
import { inPrint, Part, Sheet, styles } from './sheet';

/** What is to be ordered, thing by thing and kind by kind, in the unit each is sold in. */
export function OrderPdf({
  lines,
  day,
  given,
}: {
  lines: readonly { item: StockItemBody; count: number }[];
  day: string;
  /** was it given, or is it only proposed? */
  given: boolean;
}) {
  const kinds = [...new Set(lines.map(({ item }) => item.kind))];
  const ofKind = (kind: StockKind) => lines.filter(({ item }) => item.kind === kind);
  return (
    <Sheet title="order" ticket={day}>
      <Text style={styles.title}>{given ? `Order of ${day}` : `To be ordered, as of ${day}`}</Text>
      <Text>
        {counted(lines.length, 'line')}. The mark at the right is what the drawer is called here: please keep it on the
        bag.
      </Text>
      {kinds.map((kind) => (
        <Part key={kind} title={stockTable[kind].many}>
          {ofKind(kind).map(({ item, count }) => (
            <View key={item.id} style={styles.row} wrap={false}>
              <Text style={{ width: 70, textAlign: 'right', paddingRight: 10 }}>{countWords(count, item.counted)}</Text>
              <Text style={{ flex: 1 }}>{inPrint(bagTitle(item))}</Text>
              <Text style={{ ...styles.soft, width: 120, textAlign: 'right' }}>{item.id}</Text>
            </View>
          ))}
        </Part>
      ))}
      {lines.length === 0 && <Text style={{ marginTop: 8 }}>Nothing is wanted.</Text>}
    </Sheet>
  );
}
