import { present } from '@/core/present'
/** Languages papers can be written in. */
export const PAPER_LANGUAGES = ['en', 'de', 'fr', 'es', 'he'] as const
export type PaperLanguage = (typeof PAPER_LANGUAGES)[number]

/** What stands on papers, by language, in the order of the list above. */
const WORDS = {
  estimate: ['Estimate', 'Angebot', 'Devis', 'Presupuesto', 'הצעת מחיר'],
  confirmation: [
    'Order confirmation',
    'Auftragsbestätigung',
    'Confirmation de commande',
    'Confirmación de pedido',
    'אישור הזמנה',
  ],
  'pick-list': ['Pick list', 'Sammelliste', 'Liste de préparation', 'Lista de preparación', 'רשימת ליקוט'],
  'packing-slip': ['Packing slip', 'Lieferschein', 'Bon de livraison', 'Albarán', 'תעודת משלוח'],
  'deposit-request': [
    'Deposit request',
    'Anforderung einer Anzahlung',
    'Demande d’acompte',
    'Solicitud de anticipo',
    'דרישת מקדמה',
  ],
  invoice: ['Invoice', 'Rechnung', 'Facture', 'Factura', 'חשבונית'],
  counter: ['Invoice and receipt', 'Rechnung und Quittung', 'Facture et reçu', 'Factura y recibo', 'חשבונית קבלה'],
  'draft-invoice': [
    'Draft invoice',
    'Entwurf einer Rechnung',
    'Brouillon de facture',
    'Borrador de factura',
    'טיוטת חשבונית',
  ],
  'credit-note': ['Credit note', 'Gutschrift', 'Avoir', 'Nota de crédito', 'הודעת זיכוי'],
  receipt: ['Receipt', 'Quittung', 'Reçu', 'Recibo', 'קבלה'],
  statement: ['Statement', 'Kontoauszug', 'Relevé de compte', 'Estado de cuenta', 'דף חשבון'],
  reminder: ['Reminder', 'Zahlungserinnerung', 'Rappel', 'Recordatorio de pago', 'תזכורת תשלום'],
  agreement: ['Payment agreement', 'Zahlungsvereinbarung', 'Accord de paiement', 'Acuerdo de pago', 'הסכם תשלומים'],
  'open-items': ['Open invoices', 'Offene Posten', 'Ce qui reste dû', 'Partidas pendientes', 'סכומים פתוחים'],
  payment: ['Payment', 'Zahlung', 'Paiement', 'Pago', 'תשלום'],
  chargeOf: ['finance charge', 'Gebühr', 'frais', 'cargo', 'עמלה'],
  financed: ['Financed', 'Finanziert', 'Financé', 'Financiado', 'סכום ממומן'],
  yearly: [
    'Effective annual rate',
    'Effektiver Jahreszins',
    'Taux annuel effectif',
    'Tasa anual efectiva',
    'ריבית שנתית אפקטיבית',
  ],
  signed: ['Signed', 'Unterschrift', 'Signature', 'Firma', 'חתימה'],
  date: ['Date', 'Datum', 'Date', 'Fecha', 'תאריך'],
  goodThrough: ['Valid until', 'Gültig bis', 'Valable jusqu’au', 'Válido hasta', 'בתוקף עד'],
  yourOrder: ['Your PO number', 'Ihre Bestellung', 'Votre commande', 'Su pedido', 'ההזמנה שלך'],
  wantedBy: ['Needed by', 'Gewünscht bis', 'Souhaité pour le', 'Deseado para', 'מבוקש עד'],
  agreedBy: ['Accepted by', 'Zugesagt von', 'Accepté par', 'Aceptado por', 'אושר על ידי'],
  due: ['Due', 'Fällig', 'Échéance', 'Vencimiento', 'לתשלום עד'],
  credits: ['Credit for invoice', 'Zu Rechnung', 'Sur facture', 'Sobre factura', 'זיכוי לחשבונית'],
  billTo: ['Bill to', 'Rechnung an', 'Facturer à', 'Facturar a', 'לחיוב'],
  deliverTo: ['Deliver to', 'Lieferung an', 'Livrer à', 'Entregar en', 'למשלוח'],
  what: ['Description', 'Was', 'Désignation', 'Concepto', 'תיאור'],
  code: ['Code', 'Nummer', 'Référence', 'Código', 'קוד'],
  quantity: ['Quantity', 'Menge', 'Quantité', 'Cantidad', 'כמות'],
  each: ['Unit price', 'Einzeln', 'Prix', 'Precio', 'מחיר'],
  less: ['Discount', 'Abzug', 'Remise', 'Descuento', 'הנחה'],
  sum: ['Amount', 'Summe', 'Montant', 'Importe', 'סכום'],
  change: ['Change', 'Bewegung', 'Mouvement', 'Movimiento', 'תנועה'],
  owed: ['Balance', 'Offen', 'Solde', 'Saldo', 'יתרה'],
  net: ['Subtotal', 'netto', 'net', 'neto', 'לפני מס'],
  offWhole: ['Discount on total', 'Nachlass', 'remise globale', 'descuento global', 'הנחה כללית'],
  groupSum: ['Subtotal', 'Summe', 'sous-total', 'subtotal', 'סכום ביניים'],
  total: ['Total', 'Gesamt', 'total', 'total', 'סך הכול'],
  received: ['Deposit received', 'bereits erhalten', 'déjà reçu', 'ya recibido', 'התקבל קודם'],
  toPay: ['Amount due', 'zu zahlen', 'à payer', 'a pagar', 'לתשלום'],
  given: ['Cash given', 'gegeben', 'donné', 'entregado', 'ניתן'],
  back: ['Change due', 'zurück', 'rendu', 'cambio', 'עודף'],
  optional: ['optional', 'wahlweise', 'en option', 'opcional', 'לבחירה'],
  alternative: ['alternative', 'oder stattdessen', 'ou à la place', 'o en su lugar', 'או במקום'],
  from: ['From', 'Von', 'Du', 'Desde', 'מתאריך'],
  through: ['Through', 'Bis', 'Au', 'Hasta', 'עד תאריך'],
  owedBefore: ['Opening balance', 'Offen davor', 'Solde précédent', 'Saldo anterior', 'יתרה קודמת'],
  asked: ['Requested', 'Angefordert', 'Demandé', 'Solicitado', 'נדרש'],
  ofTotal: ['of a total of', 'von insgesamt', 'd’un total de', 'de un total de', 'מתוך סך'],
  onShelf: ['On hand', 'Im Regal', 'En rayon', 'En estante', 'על המדף'],
  place: ['Location', 'Ort', 'Lieu', 'Lugar', 'מקום'],
  number: ['Number', 'Nummer', 'Numéro', 'Número', 'מספר'],
  page: ['page', 'Seite', 'page', 'página', 'עמוד'],
  of: ['of', 'von', 'sur', 'de', 'מתוך'],
  late: ['due since', 'überfällig seit', 'en retard depuis', 'vencido desde', 'באיחור מאז'],
} as const satisfies Record<string, readonly [string, string, string, string, string]>

export type PaperWord = keyof typeof WORDS

/** A word of the papers in a language; English where the language is not one of ours. */
export const paperWords = (language: string): ((word: PaperWord) => string) => {
  const at = Math.max(0, PAPER_LANGUAGES.indexOf(language as PaperLanguage))
  return (word) => present(WORDS[word][at])
}

/**
 * Whether a language is written from right to left.
 *
 * @example isRightToLeft('he') // true
 */
export const isRightToLeft = (language: string): boolean => language === 'he'
