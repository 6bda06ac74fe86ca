// Long, because it is one page read from top to bottom, part by part.
import { Document, Image, Page, StyleSheet, Text, View } from '@react-pdf/renderer'
import type { ReactNode } from 'react'
import { isRightToLeft, paperWords, type PaperBlock, type PaperColumn } from '@/core/formats'
import { FIGURE, SLAB, TEXT } from './fonts'
import type { LaidPaper, PaperRow } from './paper'

const s = StyleSheet.create({
  page: { padding: 48, paddingBottom: 70, fontFamily: TEXT as never, fontSize: 10, color: '#1f2327' },
  head: { justifyContent: 'space-between', paddingBottom: 10, marginBottom: 18 },
  sub: { color: '#5c636b', fontSize: 9 },
  th: { color: '#5c636b', fontSize: 9, fontWeight: 700 },
  fig: { fontFamily: FIGURE as never },
  foot: { position: 'absolute', bottom: 30, left: 48, right: 48, justifyContent: 'space-between', color: '#5c636b', fontSize: 8.5, borderTop: '0.5pt solid #cfc5b0', paddingTop: 6 }, // prettier-ignore
})

const WIDTH: Readonly<Record<PaperColumn, number>> = { code: 76, quantity: 58, each: 66, less: 62, sum: 84, onShelf: 76, place: 66, change: 80, owed: 84, due: 76 } // prettier-ignore

/** Estimate, confirmation, lists and slips, invoice, credit note, statement, reminder: one page, laid out as its layout says. */
export const SalesPaper = ({ paper, layout, head }: LaidPaper) => {
  const t = paperWords(paper.language)
  const rtl = isRightToLeft(paper.language)
  const flow = { flexDirection: rtl ? ('row-reverse' as const) : ('row' as const) }
  const start = { textAlign: rtl ? ('right' as const) : ('left' as const) }
  const end = { textAlign: rtl ? ('left' as const) : ('right' as const) }
  const columns = layout.columns.map((c) => ({ ...c, name: c.name || t(c.key), width: WIDTH[c.key] }))
  const name = layout.title || paper.name
  const slab = { fontFamily: SLAB as never, fontWeight: 600 as const, color: head.colour }

  const words = (text: string, key: string): ReactNode =>
    text ? (
      <Text key={key} style={{ ...start, marginBottom: 14 }}>
        {text}
      </Text>
    ) : null

  const row = (r: PaperRow, i: number): ReactNode => {
    const heading = r.as === 'heading'
    const sum = r.as === 'group-sum'
    return (
      <View
        key={i}
        wrap={false}
        minPresenceAhead={heading ? 30 : undefined}
        style={{ ...flow, borderBottom: heading ? `1pt solid ${head.colour}` : '0.5pt solid #e6dfcf', paddingVertical: 5, paddingTop: heading ? 11 : 5 }} // prettier-ignore
      >
        <View style={{ flex: 1, paddingHorizontal: 4 }}>
          <Text style={heading ? { ...slab, ...start, fontSize: 11.5 } : sum ? { ...s.sub, ...end } : start}>
            {r.what}
          </Text>
          {r.note && layout.showNotes ? <Text style={{ ...s.sub, ...start }}>{r.note}</Text> : null}
        </View>
        {r.as === 'text'
          ? null
          : columns.map((c) => (
              <Text
                key={c.key}
                style={{
                  ...(c.key === 'code' || c.key === 'place' ? start : { ...s.fig, ...end }),
                  width: c.width,
                  ...(sum ? { fontWeight: 700 } : {}),
                }}
              >
                {r.cells[c.key] ?? ''}
              </Text>
            ))}
      </View>
    )
  }

  const lines = (
    <View key="lines">
      <View style={{ ...flow, borderBottom: '1pt solid #1f2327', paddingVertical: 5 }} fixed>
        <Text style={{ flex: 1, paddingHorizontal: 4, ...s.th, ...start }}>{t('what')}</Text>
        {columns.map((c) => (
          <Text
            key={c.key}
            style={{ ...s.th, ...(c.key === 'code' || c.key === 'place' ? start : end), width: c.width }}
          >
            {c.name}
          </Text>
        ))}
      </View>
      {paper.rows.map(row)}
    </View>
  )

  const sums = paper.sums.length > 0 && (
    <View
      key="sums"
      style={{ marginTop: 8, marginBottom: 16, alignItems: rtl ? 'flex-start' : 'flex-end' }}
      wrap={false}
    >
      {paper.sums.map((sum) => (
        <View key={sum.name} style={{ ...flow, paddingVertical: 2 }}>
          <Text
            style={{
              paddingHorizontal: 14,
              paddingTop: sum.total ? 4 : 0,
              ...(sum.total ? { fontWeight: 700 } : { color: '#5c636b' }),
            }}
          >
            {sum.name}
          </Text>
          <View
            style={{
              width: 100,
              ...(sum.total
                ? { borderTop: '1pt solid #1f2327', borderBottom: '1pt solid #1f2327', paddingBottom: 1.5 }
                : {}),
            }}
          >
            <Text
              style={{
                ...s.fig,
                ...end,
                fontWeight: sum.total ? 700 : 400,
                ...(sum.total ? { paddingTop: 3, paddingBottom: 1, borderBottom: '1pt solid #1f2327' } : {}),
              }}
            >
              {sum.amount}
            </Text>
          </View>
        </View>
      ))}
    </View>
  )

  const blocks: Readonly<Record<PaperBlock, ReactNode>> = {
    above: words([layout.above, paper.above].filter(Boolean).join('\n\n'), 'above'),
    lines,
    sums: sums || null,
    note: words(paper.note, 'note'),
    conditions: paper.conditions ? (
      <Text key="conditions" style={{ ...s.sub, ...start, marginBottom: 10 }}>
        {paper.conditions}
      </Text>
    ) : null,
    below: words(layout.below, 'below'),
  }

  return (
    <Document title={`${name} ${paper.number}`} author={head.name} language={paper.language}>
      <Page size={head.size} style={s.page}>
        <View style={{ ...s.head, ...flow, borderBottom: `2pt solid ${head.colour}` }}>
          <View style={{ flex: 1, paddingHorizontal: 4 }}>
            {head.mark && layout.showMark ? (
              <Image src={head.mark} style={{ height: 44, maxWidth: 160, objectFit: 'contain', alignSelf: rtl ? 'flex-end' : 'flex-start', marginBottom: 6 }} /> // prettier-ignore
            ) : null}
            <Text style={{ ...slab, ...start, fontSize: 16, marginBottom: 4 }}>{head.name}</Text>
            <Text style={{ ...s.sub, ...start }}>{head.address}</Text>
            {head.header ? <Text style={{ ...s.sub, ...start }}>{head.header}</Text> : null}
          </View>
          <View style={{ maxWidth: 260, alignItems: rtl ? 'flex-start' : 'flex-end' }}>
            <Text style={{ ...slab, ...end, fontSize: 20, marginBottom: 4 }}>{name}</Text>
            <Text style={{ ...s.fig, ...end }}>{paper.number}</Text>
          </View>
        </View>
        <View style={{ ...flow, justifyContent: 'space-between', marginBottom: 20 }}>
          <View style={{ maxWidth: 250, paddingHorizontal: 4 }}>
            <Text style={{ ...start, fontWeight: 700 }}>{paper.to.name}</Text>
            <Text style={start}>{paper.to.address}</Text>
            {paper.deliverTo && layout.showDeliverTo ? (
              <View style={{ marginTop: 8 }}>
                <Text style={{ ...s.sub, ...start }}>{t('deliverTo')}</Text>
                <Text style={start}>{paper.deliverTo.address}</Text>
                {paper.deliverTo.note ? (
                  <Text style={{ ...s.sub, ...start }}>{paper.deliverTo.note}</Text>
                ) : null}
              </View>
            ) : null}
          </View>
          <View>
            {paper.facts.map(([fact, value], i) => (
              <View key={i} style={{ ...flow, justifyContent: 'flex-end' }}>
                <Text style={{ ...s.sub, ...end, width: 100, paddingHorizontal: 8 }}>{fact}</Text>
                <Text style={{ ...end, width: 120 }}>{value}</Text>
              </View>
            ))}
          </View>
        </View>
        {layout.blocks.map((b) => blocks[b])}
        <View style={{ ...s.foot, ...flow }} fixed>
          <Text style={{ maxWidth: 380 }}>{head.footer}</Text>
          <Text
            render={({ pageNumber, totalPages }) =>
              `${paper.number}, ${t('page')} ${pageNumber} ${t('of')} ${totalPages}`
            }
          />
        </View>
      </Page>
    </Document>
  )
}
