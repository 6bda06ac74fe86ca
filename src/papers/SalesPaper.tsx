import { Document, Page, StyleSheet, Text, View } from '@react-pdf/renderer'
import { FIGURE, SLAB, TEXT } from './fonts'

/** A paper for a customer, with everything on it as it will be read. */
export interface Paper {
  readonly name: string
  readonly number: string
  readonly business: { readonly name: string; readonly address: string; readonly footer: string }
  readonly to: { readonly name: string; readonly address: string }
  /** Dates, their order number and the like. */
  readonly facts: readonly (readonly [name: string, value: string])[]
  readonly lines: readonly {
    readonly what: string
    readonly note: string
    readonly quantity: string
    readonly each: string
    readonly less: string
    readonly sum: string
  }[]
  readonly sums: readonly { readonly name: string; readonly amount: string; readonly total?: boolean }[]
  readonly note: string
  /** Other names for the last two columns. */
  readonly columns?: { readonly less: string; readonly sum: string }
}

const s = StyleSheet.create({
  page: {
    padding: 48,
    paddingBottom: 64,
    fontFamily: TEXT as never,
    fontSize: 10,
    color: '#1f2327',
  },
  head: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    borderBottom: '2pt solid #1f2327',
    paddingBottom: 10,
    marginBottom: 18,
  },
  business: { fontFamily: SLAB as never, fontSize: 16, fontWeight: 600, marginBottom: 4 },
  name: { fontFamily: SLAB as never, fontSize: 20, fontWeight: 600, marginBottom: 4 },
  sub: { color: '#5c636b', fontSize: 9 },
  who: { flexDirection: 'row', justifyContent: 'space-between', marginBottom: 20 },
  row: { flexDirection: 'row', borderBottom: '0.5pt solid #e6dfcf', paddingVertical: 5 },
  th: { color: '#5c636b', fontSize: 9, fontWeight: 700 },
  what: { flex: 1, paddingRight: 8 },
  fig: { fontFamily: FIGURE as never, textAlign: 'right' },
  foot: {
    position: 'absolute',
    bottom: 30,
    left: 48,
    right: 48,
    flexDirection: 'row',
    justifyContent: 'space-between',
    color: '#5c636b',
    fontSize: 8.5,
    borderTop: '0.5pt solid #cfc5b0',
    paddingTop: 6,
  },
})

const COLUMNS = [
  { key: 'quantity', name: 'Quantity', width: 58 },
  { key: 'each', name: 'Each', width: 66 },
  { key: 'less', name: 'Less', width: 58 },
  { key: 'sum', name: 'Sum', width: 84 },
] as const

/** Estimate, order confirmation, invoice, credit note: one layout, lines and sums as in a ledger. */
export const SalesPaper = ({ paper }: { readonly paper: Paper }) => (
  <Document title={`${paper.name} ${paper.number}`} author={paper.business.name} language="en">
    <Page size="A4" style={s.page}>
      <View style={s.head}>
        <View>
          <Text style={s.business}>{paper.business.name}</Text>
          <Text style={s.sub}>{paper.business.address}</Text>
        </View>
        <View style={{ alignItems: 'flex-end' }}>
          <Text style={s.name}>{paper.name}</Text>
          <Text style={s.fig}>{paper.number}</Text>
        </View>
      </View>
      <View style={s.who}>
        <View style={{ maxWidth: 260 }}>
          <Text style={{ fontWeight: 700 }}>{paper.to.name}</Text>
          <Text>{paper.to.address}</Text>
        </View>
        <View>
          {paper.facts.map(([name, value]) => (
            <View key={name} style={{ flexDirection: 'row', justifyContent: 'flex-end' }}>
              <Text style={{ ...s.sub, width: 90, textAlign: 'right', paddingRight: 8 }}>{name}</Text>
              <Text style={{ width: 110, textAlign: 'right' }}>{value}</Text>
            </View>
          ))}
        </View>
      </View>
      <View style={{ ...s.row, borderBottom: '1pt solid #1f2327' }} fixed>
        <Text style={{ ...s.what, ...s.th }}>What</Text>
        {COLUMNS.map((c) => (
          <Text key={c.key} style={{ ...s.th, width: c.width, textAlign: 'right' }}>
            {c.key === 'less' || c.key === 'sum'
              ? (paper.columns?.[c.key] ?? c.name)
              : paper.columns
                ? ''
                : c.name}
          </Text>
        ))}
      </View>
      {paper.lines.map((l, i) => (
        <View key={i} style={s.row} wrap={false}>
          <View style={s.what}>
            <Text>{l.what}</Text>
            {l.note ? <Text style={s.sub}>{l.note}</Text> : null}
          </View>
          {COLUMNS.map((c) => (
            <Text key={c.key} style={{ ...s.fig, width: c.width }}>
              {l[c.key]}
            </Text>
          ))}
        </View>
      ))}
      <View style={{ marginTop: 8, alignItems: 'flex-end' }} wrap={false}>
        {paper.sums.map((sum) => (
          <View key={sum.name} style={{ flexDirection: 'row', paddingVertical: 2 }}>
            <Text
              style={{
                paddingRight: 14,
                paddingTop: sum.total ? 4 : 0,
                ...(sum.total ? { fontWeight: 700 } : { color: '#5c636b' }),
              }}
            >
              {sum.name}
            </Text>
            <View
              style={
                sum.total
                  ? {
                      borderTop: '1pt solid #1f2327',
                      borderBottom: '1pt solid #1f2327',
                      paddingBottom: 1.5,
                      width: 100,
                    }
                  : { width: 100 }
              }
            >
              <Text
                style={{
                  ...s.fig,
                  fontWeight: sum.total ? 700 : 400,
                  ...(sum.total
                    ? { paddingTop: 3, paddingBottom: 1, borderBottom: '1pt solid #1f2327' }
                    : {}),
                }}
              >
                {sum.amount}
              </Text>
            </View>
          </View>
        ))}
      </View>
      {paper.note ? <Text style={{ marginTop: 20 }}>{paper.note}</Text> : null}
      <View style={s.foot} fixed>
        <Text>{paper.business.footer}</Text>
        <Text
          render={({ pageNumber, totalPages }) => `${paper.number}, page ${pageNumber} of ${totalPages}`}
        />
      </View>
    </Page>
  </Document>
)
