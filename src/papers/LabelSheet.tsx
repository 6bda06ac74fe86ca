import { Document, Image, Page, Text, View } from '@react-pdf/renderer'
import { FIGURE, TEXT } from './fonts'

export interface Label {
  readonly name: string
  readonly code: string
  readonly price: string
  /** The bars, drawn. */
  readonly bars: Buffer
}

/** Three across and eight down on A4, 70 × 36 mm each. */
const WIDE = 198.4
const HIGH = 102
const PER_PAGE = 24

/** Labels to cut out or peel off: name, price, and bars that can be scanned. */
export const LabelSheet = ({ labels }: { readonly labels: readonly Label[] }) => (
  <Document title="Labels" language="en">
    {Array.from({ length: Math.ceil(labels.length / PER_PAGE) }, (_, page) => (
      <Page key={page} size="A4" style={{ flexDirection: 'row', flexWrap: 'wrap', paddingTop: 12 }}>
        {labels.slice(page * PER_PAGE, (page + 1) * PER_PAGE).map((l, i) => (
          <View
            key={i}
            style={{ width: WIDE, height: HIGH, padding: 10, fontFamily: TEXT as never, fontSize: 9 }}
          >
            <View style={{ flexDirection: 'row', justifyContent: 'space-between', height: 26 }}>
              <Text style={{ flex: 1, paddingRight: 6, maxLines: 2, textOverflow: 'ellipsis' }}>
                {l.name}
              </Text>
              <Text style={{ fontFamily: FIGURE as never, fontWeight: 700, fontSize: 11 }}>{l.price}</Text>
            </View>
            <Image src={{ data: l.bars, format: 'png' }} style={{ height: 38, objectFit: 'contain' }} />
            <Text style={{ fontFamily: FIGURE as never, fontSize: 8, textAlign: 'center', marginTop: 3 }}>
              {l.code}
            </Text>
          </View>
        ))}
      </Page>
    ))}
  </Document>
)
