import type { Arrangement } from '@/contract/arrangement'
import { PAPER_LANGUAGES, type PaperLanguage } from '@/core/formats'
import { formatDigits, formatPercent } from '@/core/locale'

type Said = Readonly<Record<PaperLanguage, string>>

/** What is agreed with each kind of payment terms, a sentence each; figures stand in braces. */
const RULES = {
  setAside: {
    en: 'The goods are set aside and stay with us until all of it is paid; the price does not change.',
    de: 'Die Ware ist zurückgelegt und bleibt bei uns, bis alles bezahlt ist; der Preis ändert sich nicht.',
    fr: 'Les articles sont mis de côté et restent chez nous jusqu’au paiement complet ; le prix ne change pas.',
    es: 'Los artículos quedan apartados con nosotros hasta el pago completo; el precio no cambia.',
    he: 'הסחורה שמורה אצלנו עד לתשלום המלא; המחיר אינו משתנה.',
  },
  payEarlier: {
    en: 'You may pay earlier, and any amount up to the rest.',
    de: 'Sie können früher zahlen, und jeden Betrag bis zum Rest.',
    fr: 'Vous pouvez payer plus tôt, et tout montant jusqu’au solde.',
    es: 'Puede pagar antes, y cualquier importe hasta el resto.',
    he: 'ניתן לשלם מוקדם יותר, וכל סכום עד ליתרה.',
  },
  lateAfter: {
    en: 'A payment counts as late after {days} days.',
    de: 'Eine Zahlung gilt nach {days} Tagen als verspätet.',
    fr: 'Un paiement est considéré en retard après {days} jours.',
    es: 'Un pago se considera atrasado a los {days} días.',
    he: 'תשלום נחשב לאיחור לאחר {days} ימים.',
  },
  cancelFee: {
    en: 'If you cancel, we keep a cancellation fee of {fee}, never more than you have paid, and refund the rest.',
    de: 'Bei Rücktritt behalten wir {fee} ein, nie mehr als Sie gezahlt haben, und erstatten den Rest.',
    fr: 'En cas d’annulation, nous gardons {fee}, jamais plus que ce que vous avez payé, et remboursons le reste.',
    es: 'Si cancela, retenemos {fee}, nunca más de lo que haya pagado, y devolvemos el resto.',
    he: 'בביטול נגבה {fee}, לעולם לא יותר ממה ששולם, והיתרה תוחזר.',
  },
  cancelFree: {
    en: 'If you cancel, we refund everything you have paid.',
    de: 'Bei Rücktritt erstatten wir alles, was Sie gezahlt haben.',
    fr: 'En cas d’annulation, nous remboursons tout ce que vous avez payé.',
    es: 'Si cancela, devolvemos todo lo que haya pagado.',
    he: 'בביטול יוחזר כל מה ששולם.',
  },
  goodsNow: {
    en: 'You get the goods now; the payments follow on the dates above. Payments are applied to the oldest installment first, to its finance charge before principal.',
    de: 'Sie erhalten die Ware jetzt; die Zahlungen folgen an den obigen Tagen. Zahlungen gelten zuerst für die älteste Rate, dort zuerst für die Finanzierungskosten.',
    fr: 'Vous recevez les articles maintenant ; les paiements suivent aux dates ci-dessus. Ils sont imputés d’abord à l’échéance la plus ancienne, aux frais de crédit avant le principal.',
    es: 'Recibe los artículos ahora; los pagos siguen en las fechas de arriba. Se aplican primero al plazo más antiguo, al cargo financiero antes que al principal.',
    he: 'הסחורה נמסרת עכשיו; התשלומים במועדים שלמעלה. כל תשלום נזקף תחילה לתשלום הישן ביותר, לעמלת המימון לפני הקרן.',
  },
  payOff: {
    en: 'You may pay off early at any time; unearned finance charges are waived.',
    de: 'Sie können jederzeit vorzeitig ablösen; noch nicht angefallene Finanzierungskosten entfallen.',
    fr: 'Vous pouvez solder à tout moment ; les frais de crédit non courus sont abandonnés.',
    es: 'Puede liquidar antes en cualquier momento; el cargo financiero no devengado no se cobra.',
    he: 'ניתן לסלק מוקדם בכל עת; עמלת מימון שטרם נצברה לא תיגבה.',
  },
  lateFee: {
    en: 'Payments more than {days} days late carry a late fee of {fee}.',
    de: 'Zahlungen, die mehr als {days} Tage verspätet sind, kosten eine Mahngebühr von {fee}.',
    fr: 'Les paiements en retard de plus de {days} jours entraînent une pénalité de {fee}.',
    es: 'Los pagos con más de {days} días de atraso llevan un recargo de {fee}.',
    he: 'תשלום באיחור של יותר מ־{days} ימים נושא דמי פיגור של {fee}.',
  },
  deposit: {
    en: 'What you pay in advance is yours until the goods are handed over and invoiced; it is deducted from the invoice, tax included.',
    de: 'Ihre Anzahlung bleibt Ihr Geld, bis die Ware übergeben und berechnet ist; sie wird von der Rechnung abgezogen, Steuer eingeschlossen.',
    fr: 'Votre acompte reste à vous jusqu’à la remise et la facturation ; il est déduit de la facture, taxes comprises.',
    es: 'Lo que paga por adelantado es suyo hasta la entrega y la factura; se descuenta de ella, impuestos incluidos.',
    he: 'מה ששולם מראש שייך לך עד למסירה ולחשבונית; הוא מנוכה ממנה, כולל מס.',
  },
  earlyDiscount: {
    en: '{fee} discount if paid in full within {days} days of the invoice.',
    de: '{fee} Skonto bei vollständiger Zahlung innerhalb von {days} Tagen nach der Rechnung.',
    fr: '{fee} d’escompte pour un paiement complet sous {days} jours après la facture.',
    es: '{fee} de descuento por pago completo en {days} días desde la factura.',
    he: '{fee} הנחה בתשלום מלא בתוך {days} ימים מהחשבונית.',
  },
  dueDates: {
    en: 'Each invoice is due on the dates above, counted from its date.',
    de: 'Jede Rechnung ist an den obigen Tagen fällig, gezählt ab ihrem Datum.',
    fr: 'Chaque facture est due aux dates ci-dessus, comptées à partir de sa date.',
    es: 'Cada factura vence en las fechas de arriba, contadas desde su fecha.',
    he: 'כל חשבונית לתשלום במועדים שלמעלה, מיום החשבונית.',
  },
  dueAtOnce: {
    en: 'Each invoice is due on its date.',
    de: 'Jede Rechnung ist an ihrem Datum fällig.',
    fr: 'Chaque facture est due à sa date.',
    es: 'Cada factura vence en su fecha.',
    he: 'כל חשבונית לתשלום ביום החשבונית.',
  },
  ofTotal: {
    en: '{of} of the total',
    de: '{of} des Gesamtbetrags',
    fr: '{of} du total',
    es: '{of} del total',
    he: '{of} מהסך',
  },
  ofLate: {
    en: '{of} of the late amount',
    de: '{of} des verspäteten Betrags',
    fr: '{of} du montant en retard',
    es: '{of} del importe atrasado',
    he: '{of} מהסכום שבאיחור',
  },
} as const satisfies Readonly<Record<string, Said>>

type Rule = keyof typeof RULES
type Figures = Readonly<Record<string, string | number>>

/** A part as it was agreed: an amount, or a percentage of something. */
interface Part {
  readonly percent?: { toString(): string }
  readonly amount?: string
}

/** The rules of an arrangement in the customer's language. */
export const rulesIn = (a: Arrangement, language: string): string => {
  const tongue = PAPER_LANGUAGES.find((l) => l === language) ?? 'en'
  const say = (rule: Rule, figures: Figures = {}): string =>
    RULES[rule][tongue].replace(/\{(\w+)\}/g, (_, name: string) => String(figures[name] ?? ''))
  const part = (p: Part, of: 'ofTotal' | 'ofLate'): string =>
    p.amount ? formatDigits(p.amount) : say(of, { of: formatPercent(p.percent?.toString() ?? '0') })
  switch (a.kind) {
    case 'layaway':
      return [
        say('setAside'),
        say('payEarlier'),
        say('lateAfter', { days: a.graceDays ?? 0 }),
        a.fee ? say('cancelFee', { fee: part(a.fee, 'ofTotal') }) : say('cancelFree'),
      ].join(' ')
    case 'installments':
      return [
        say('goodsNow'),
        say('payOff'),
        ...(a.lateCharge ? [say('lateFee', { days: a.graceDays ?? 0, fee: part(a.lateCharge, 'ofLate') })] : []),
      ].join(' ')
    case 'deposit':
      return say('deposit')
    case 'terms':
      return a.discountPercent?.gt(0)
        ? say('earlyDiscount', { fee: formatPercent(a.discountPercent.toString()), days: a.discountDays ?? 0 })
        : say('dueDates')
    case 'now':
      return say('dueAtOnce')
  }
}
