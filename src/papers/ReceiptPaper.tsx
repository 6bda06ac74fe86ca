import { Document, Page, StyleSheet, Text, View } from '@react-pdf/renderer'
import { FIGURE, SLAB, TEXT } from './fonts'
import type { PaperSum } from './paper'

export interface ReceiptOnPaper {
  readonly number: string
  readonly business: { readonly name: string; readonly address: string; readonly footer: string }
  readonly from: string
  readonly on: string
  readonly how: string
  readonly lines: readonly { readonly what: string; readonly amount: string }[]
  readonly sums: readonly PaperSum[]
  readonly amount: string
  readonly voided: string
}

const s = StyleSheet.create({
  page: { fontFamily: TEXT as never, color: '#1f2327', padding: 14, fontSize: 9 },
  middle: { color: '#5c636b', fontSize: 8.5, textAlign: 'center' },
  fig: { fontFamily: FIGURE as never, textAlign: 'right' },
  row: { flexDirection: 'row', justifyContent: 'space-between', paddingVertical: 2 },
})

const POINTS_PER_LINE = 15
/** Letters of what was sold that fit beside its amount. */
const FITS = 26

/** A receipt as a narrow slip 80 mm wide. */
export const ReceiptPaper = ({ receipt }: { readonly receipt: ReceiptOnPaper }) => {
  const rows = receipt.lines.reduce((n, l) => n + Math.ceil(l.what.length / FITS), 0) + receipt.sums.length
  return (
    <Document title={`Receipt ${receipt.number}`} author={receipt.business.name} language="en">
      <Page size={[227, 200 + rows * POINTS_PER_LINE * 1.1]} style={s.page}>
        <Text
          style={{
            fontFamily: SLAB as never,
            fontWeight: 600,
            fontSize: 13,
            textAlign: 'center',
            marginBottom: 3,
          }}
        >
          {receipt.business.name}
        </Text>
        <Text style={{ ...s.middle, marginBottom: 8 }}>{receipt.business.address}</Text>
        <View style={{ ...s.row, borderTop: '1pt solid #1f2327', paddingTop: 5 }}>
          <Text style={{ fontWeight: 700 }}>Receipt {receipt.number}</Text>
          <Text>{receipt.on}</Text>
        </View>
        <Text style={{ marginBottom: 6 }}>
          {receipt.from}, {receipt.how}
        </Text>
        {receipt.voided ? <Text style={{ color: '#9a1f2b', fontWeight: 700 }}>{receipt.voided}</Text> : null}
        {receipt.lines.map((l, i) => (
          <View key={i} style={{ ...s.row, borderTop: '0.5pt solid #e6dfcf' }}>
            <Text style={{ flex: 1, paddingRight: 6 }}>{l.what}</Text>
            <Text style={s.fig}>{l.amount}</Text>
          </View>
        ))}
        <View style={{ borderTop: '1pt solid #1f2327', marginTop: 4, paddingTop: 3 }}>
          {receipt.sums.map((x) => (
            <View key={x.name} style={s.row}>
              <Text style={{ color: '#5c636b' }}>{x.name}</Text>
              <Text style={s.fig}>{x.amount}</Text>
            </View>
          ))}
          <View style={s.row}>
            <Text style={{ fontWeight: 700 }}>received</Text>
            <Text style={{ ...s.fig, fontWeight: 700, fontSize: 13 }}>{receipt.amount}</Text>
          </View>
        </View>
        <Text style={{ ...s.middle, marginTop: 8 }}>{receipt.business.footer}</Text>
      </Page>
    </Document>
  )
}
