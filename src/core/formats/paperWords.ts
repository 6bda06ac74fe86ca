import { present } from '@/core/present'
import { formatDay, instantOf, type Day } from '../day'
/** Languages papers can be written in. */
export const PAPER_LANGUAGES = ['en', 'de', 'fr', 'es', 'he'] as const
export type PaperLanguage = (typeof PAPER_LANGUAGES)[number]

/** What stands on papers, by language, in the order of the list above. */
export const PAPER_WORDS = {
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
    'DRAFT – not an invoice',
    'ENTWURF – keine Rechnung',
    'BROUILLON – pas une facture',
    'BORRADOR – no es una factura',
    'טיוטה – לא חשבונית',
  ],
  'credit-note': ['Credit note', 'Gutschrift', 'Avoir', 'Nota de crédito', 'הודעת זיכוי'],
  receipt: ['Receipt', 'Quittung', 'Reçu', 'Recibo', 'קבלה'],
  statement: ['Statement', 'Kontoauszug', 'Relevé de compte', 'Estado de cuenta', 'דף חשבון'],
  reminder: ['Reminder', 'Zahlungserinnerung', 'Rappel', 'Recordatorio de pago', 'תזכורת תשלום'],
  agreement: ['Payment agreement', 'Zahlungsvereinbarung', 'Accord de paiement', 'Acuerdo de pago', 'הסכם תשלומים'],
  'open-items': ['Open invoices', 'Offene Posten', 'Ce qui reste dû', 'Partidas pendientes', 'סכומים פתוחים'],
  'purchase-order': ['Purchase order', 'Bestellung', 'Bon de commande', 'Pedido de compra', 'הזמנת רכש'],
  remittance: ['Remittance advice', 'Zahlungsavis', 'Avis de paiement', 'Aviso de pago', 'הודעת תשלום'],
  yourBill: ['Your invoice', 'Ihre Rechnung', 'Votre facture', 'Su factura', 'החשבונית שלך'],
  inAdvance: ['In advance', 'Im Voraus', 'D’avance', 'Por anticipado', 'מראש'],
  version: ['Version', 'Fassung', 'Version', 'Versión', 'גרסה'],
  payment: ['Payment', 'Zahlung', 'Paiement', 'Pago', 'תשלום'],
  chargeOf: ['Finance charge', 'Finanzierungskosten', 'Frais de crédit', 'Cargo financiero', 'עמלת מימון'],
  financed: ['Financed', 'Finanziert', 'Financé', 'Financiado', 'סכום ממומן'],
  yearly: [
    'Effective annual rate',
    'Effektiver Jahreszins',
    'Taux annuel effectif',
    'Tasa anual efectiva',
    'ריבית שנתית אפקטיבית',
  ],
  signed: ['Signature', 'Unterschrift', 'Signature', 'Firma', 'חתימה'],
  date: ['Date', 'Datum', 'Date', 'Fecha', 'תאריך'],
  goodThrough: ['Valid until', 'Gültig bis', 'Valable jusqu’au', 'Válido hasta', 'בתוקף עד'],
  serialNumber: ['Serial', 'Seriennummer', 'N° de série', 'N.º de serie', 'מספר סידורי'],
  lot: ['Lot', 'Charge', 'Lot de fabrication', 'Lote', 'אצווה'],
  warrantyUntil: ['Warranty until', 'Garantie bis', 'Garantie jusqu’au', 'Garantía hasta', 'אחריות עד'],
  yourOrder: ['Your PO number', 'Ihre Bestellung', 'Votre commande', 'Su pedido', 'ההזמנה שלך'],
  wantedBy: ['Needed by', 'Gewünscht bis', 'Souhaité pour le', 'Deseado para', 'מבוקש עד'],
  agreedBy: ['Accepted by', 'Zugesagt von', 'Accepté par', 'Aceptado por', 'אושר על ידי'],
  due: ['Due', 'Fällig', 'Échéance', 'Vencimiento', 'לתשלום עד'],
  credits: ['Credit for invoice', 'Zu Rechnung', 'Sur facture', 'Sobre factura', 'זיכוי לחשבונית'],
  billTo: ['Bill to', 'Rechnung an', 'Facturer à', 'Facturar a', 'לחיוב'],
  deliverTo: ['Deliver to', 'Lieferung an', 'Livrer à', 'Entregar en', 'למשלוח'],
  what: ['Description', 'Bezeichnung', 'Désignation', 'Concepto', 'תיאור'],
  code: ['Code', 'Nummer', 'Référence', 'Código', 'קוד'],
  quantity: ['Quantity', 'Menge', 'Quantité', 'Cantidad', 'כמות'],
  each: ['Unit price', 'Einzelpreis', 'Prix', 'Precio', 'מחיר'],
  less: ['Discount', 'Abzug', 'Remise', 'Descuento', 'הנחה'],
  sum: ['Amount', 'Summe', 'Montant', 'Importe', 'סכום'],
  change: ['Change', 'Bewegung', 'Mouvement', 'Movimiento', 'תנועה'],
  owed: ['Balance', 'Offen', 'Solde', 'Saldo', 'יתרה'],
  net: ['Subtotal', 'Netto', 'Total HT', 'Subtotal', 'לפני מס'],
  offWhole: ['Discount on total', 'Nachlass', 'Remise globale', 'Descuento global', 'הנחה כללית'],
  groupSum: ['Subtotal', 'Summe', 'Sous-total', 'Subtotal', 'סכום ביניים'],
  total: ['Total', 'Gesamt', 'Total', 'Total', 'סך הכול'],
  received: ['Deposit received', 'Anzahlung erhalten', 'Acompte reçu', 'Anticipo recibido', 'התקבל קודם'],
  toPay: ['Amount due', 'Zu zahlen', 'À payer', 'A pagar', 'לתשלום'],
  given: ['Cash given', 'Gegeben', 'Espèces reçues', 'Efectivo recibido', 'ניתן'],
  back: ['Change due', 'Rückgeld', 'Monnaie rendue', 'Cambio', 'עודף'],
  optional: ['optional', 'wahlweise', 'en option', 'opcional', 'לבחירה'],
  alternative: ['alternative', 'oder stattdessen', 'ou à la place', 'o en su lugar', 'או במקום'],
  from: ['From', 'Von', 'Du', 'Desde', 'מתאריך'],
  through: ['Through', 'Bis', 'Au', 'Hasta', 'עד תאריך'],
  owedBefore: ['Opening balance', 'Offen davor', 'Solde précédent', 'Saldo anterior', 'יתרה קודמת'],
  asked: ['Requested', 'Angefordert', 'Demandé', 'Solicitado', 'נדרש'],
  ofTotal: ['of a total of', 'von insgesamt', 'd’un total de', 'de un total de', 'מתוך סך'],
  onShelf: ['On hand', 'Im Regal', 'En rayon', 'En estante', 'על המדף'],
  picked: ['Picked', 'Entnommen', 'Prélevé', 'Recogido', 'נלקט'],
  place: ['Location', 'Ort', 'Lieu', 'Lugar', 'מקום'],
  number: ['Number', 'Nummer', 'Numéro', 'Número', 'מספר'],
  page: ['page', 'Seite', 'page', 'página', 'עמוד'],
  of: ['of', 'von', 'sur', 'de', 'מתוך'],
  late: ['due since', 'überfällig seit', 'en retard depuis', 'vencido desde', 'באיחור מאז'],
  taxId: ['Tax ID', 'Steuernummer', 'N° fiscal', 'NIF', 'מספר עוסק'],
  order: ['Order number', 'Auftragsnummer', 'N° de commande', 'N.º de pedido', 'מספר הזמנה'],
  delivered: ['Handed over', 'Geliefert', 'Livré', 'Entregado', 'נמסר'],
  terms: ['Payment terms', 'Zahlungsbedingungen', 'Conditions de paiement', 'Condiciones de pago', 'תנאי תשלום'],
  howToPay: ['How to pay', 'So zahlen Sie', 'Pour payer', 'Cómo pagar', 'איך לשלם'],
  quote: ['Please quote', 'Bitte angeben', 'À rappeler', 'Indique, por favor', 'נא לציין'],
  exempt: [
    'Tax exempt, certificate',
    'Steuerfrei, Nachweis',
    'Exonéré de taxe, attestation',
    'Exento de impuesto, certificado',
    'פטור ממס, אישור',
  ],
  earlyPay: ['If paid by', 'Bei Zahlung bis', 'Si payé au plus tard le', 'Si se paga hasta el', 'בתשלום עד'],
  earlyDiscount: ['Early-payment discount', 'Skonto', 'Escompte', 'Descuento por pronto pago', 'הנחת תשלום מוקדם'],
  lateFee: ['Late fee', 'Mahngebühr', 'Pénalité de retard', 'Recargo por mora', 'דמי פיגור'],
  daysAfterDue: [
    'days after the due date',
    'Tage nach Fälligkeit',
    'jours après l’échéance',
    'días tras el vencimiento',
    'ימים לאחר המועד',
  ],
  schedule: ['Payment schedule', 'Zahlungsplan', 'Échéancier', 'Plan de pagos', 'לוח תשלומים'],
  principal: ['Principal', 'Tilgung', 'Principal', 'Principal', 'קרן'],
  reason: ['Reason', 'Grund', 'Motif', 'Motivo', 'סיבה'],
  accept: [
    'I accept this estimate.',
    'Ich nehme dieses Angebot an.',
    'J’accepte ce devis.',
    'Acepto este presupuesto.',
    'אני מאשר/ת הצעה זו.',
  ],
  name: ['Name', 'Name', 'Nom', 'Nombre', 'שם'],
  seller: ['Seller', 'Verkäufer', 'Vendeur', 'Vendedor', 'המוכר'],
  buyer: ['Buyer', 'Käufer', 'Acheteur', 'Comprador', 'הקונה'],
  notInvoice: [
    'This is a request for payment, not an invoice.',
    'Dies ist eine Zahlungsaufforderung, keine Rechnung.',
    'Ceci est une demande de paiement, et non une facture.',
    'Esto es una solicitud de pago, no una factura.',
    'זוהי דרישת תשלום ולא חשבונית.',
  ],
  amountReceived: ['Amount received', 'Erhaltener Betrag', 'Montant reçu', 'Importe recibido', 'סכום שהתקבל'],
  amountRefunded: ['Amount refunded', 'Erstatteter Betrag', 'Montant remboursé', 'Importe reembolsado', 'סכום שהוחזר'],
  method: ['Payment method', 'Zahlungsart', 'Mode de paiement', 'Forma de pago', 'אמצעי תשלום'],
  cash: ['Cash', 'Bar', 'Espèces', 'Efectivo', 'מזומן'],
  card: ['Card', 'Karte', 'Carte', 'Tarjeta', 'כרטיס'],
  cheque: ['Check', 'Scheck', 'Chèque', 'Cheque', 'המחאה'],
  transfer: ['Transfer', 'Überweisung', 'Virement', 'Transferencia', 'העברה'],
  reference: ['Reference', 'Referenz', 'Référence', 'Referencia', 'אסמכתה'],
  balanceLeft: ['Remaining balance', 'Noch offen', 'Reste dû', 'Saldo pendiente', 'יתרה לתשלום'],
  balanceDue: ['Balance due', 'Offener Saldo', 'Solde dû', 'Saldo pendiente', 'יתרה לתשלום'],
  thanks: [
    'Received with thanks.',
    'Dankend erhalten.',
    'Reçu avec nos remerciements.',
    'Recibido, muchas gracias.',
    'התקבל בתודה.',
  ],
  voided: ['Voided on', 'Storniert am', 'Annulé le', 'Anulado el', 'בוטל ביום'],
  charges: ['Charges', 'Belastung', 'Débit', 'Cargos', 'חיוב'],
  payments: ['Payments', 'Zahlung', 'Crédit', 'Pagos', 'תשלום'],
  ages: [
    'How old the balance is',
    'Alter der offenen Beträge',
    'Ancienneté du solde',
    'Antigüedad del saldo',
    'גיל היתרה',
  ],
  notDue: ['Not due yet', 'Noch nicht fällig', 'Non échu', 'No vencido', 'טרם הגיע מועדו'],
  days: ['days', 'Tage', 'jours', 'días', 'ימים'],
  payBy: ['Pay by', 'Zahlbar bis', 'À payer avant le', 'Pagar antes del', 'לתשלום עד'],
  'reminder-2': ['Second reminder', 'Zweite Mahnung', 'Deuxième rappel', 'Segundo recordatorio', 'תזכורת שנייה'],
  'reminder-3': ['Final reminder', 'Letzte Mahnung', 'Dernier rappel', 'Último recordatorio', 'תזכורת אחרונה'],
  refund: ['Refund receipt', 'Erstattungsbeleg', 'Reçu de remboursement', 'Recibo de reembolso', 'קבלה על החזר'],
  downPayment: ['Down payment', 'Anzahlung', 'Acompte', 'Pago inicial', 'תשלום ראשון'],
  toFollow: ['Still to follow', 'Folgt noch', 'Reste à livrer', 'Pendiente de entrega', 'יסופק בהמשך'],
  check: [
    'Please check the goods and tell us within 7 days if anything is missing or damaged.',
    'Bitte prüfen Sie die Ware und melden Sie Fehlendes oder Schäden innerhalb von 7 Tagen.',
    'Merci de vérifier les articles et de nous signaler tout manque ou dommage sous 7 jours.',
    'Revise los artículos y avísenos en un plazo de 7 días si falta algo o está dañado.',
    'נא לבדוק את הסחורה ולהודיע לנו תוך 7 ימים על חוסר או נזק.',
  ],
  cashPrice: ['Cash price', 'Barzahlungspreis', 'Prix comptant', 'Precio al contado', 'מחיר במזומן'],
  tax: ['Tax', 'Steuer', 'Taxe', 'Impuesto', 'מס'],
  lastPayment: ['Final payment', 'Letzte Zahlung', 'Dernier paiement', 'Último pago', 'תשלום אחרון'],
  payoff: ['Payoff of plan', 'Ablösung des Plans', 'Solde du plan', 'Liquidación del plan', 'סילוק תוכנית'],
  firstPayment: ['First payment', 'Erste Zahlung', 'Premier paiement', 'Primer pago', 'תשלום ראשון'],
  returnedCheckFee: [
    'Returned-check fee',
    'Gebühr für Rückscheck',
    'Frais de chèque rejeté',
    'Comisión por cheque devuelto',
    'עמלת המחאה חוזרת',
  ],
  heldApplied: [
    'Held money applied to invoices',
    'Anzahlung auf Rechnungen verrechnet',
    'Acompte imputé sur factures',
    'Anticipo aplicado a facturas',
    'מקדמה שקוזזה בחשבוניות',
  ],
  receiptBounced: ['Returned: receipt', 'Rückbuchung: Quittung', 'Impayé : reçu', 'Devuelto: recibo', 'חזר: קבלה'],
  receiptVoided: ['Voided: receipt', 'Storniert: Quittung', 'Annulé : reçu', 'Anulado: recibo', 'בוטל: קבלה'],
  chargeCanceled: [
    'Finance charge canceled',
    'Finanzierungskosten erlassen',
    'Frais de crédit annulés',
    'Cargo financiero anulado',
    'עמלת מימון שבוטלה',
  ],
  writtenOff: ['Written off', 'Ausgebucht', 'Passé en perte', 'Dado por incobrable', 'נמחק'],
  owedAfterAll: ['Owed after all', 'Doch geschuldet', 'Dû malgré tout', 'Debido de nuevo', 'חוב שהושב'],
  planCharge: [
    'Finance charge, plan',
    'Finanzierungskosten, Plan',
    'Frais de crédit, plan',
    'Cargo financiero, plan',
    'עמלת מימון, תוכנית',
  ],
  heldOnAccount: ['Held on account', 'Guthaben', 'En compte', 'A cuenta', 'יתרת זכות'],
  heldForSale: [
    'Held as a deposit for sale',
    'Anzahlung für Auftrag',
    'Acompte pour la commande',
    'Anticipo del pedido',
    'מקדמה להזמנה',
  ],
  heldAsLayaway: [
    'Held as layaway for sale',
    'Angespart für Auftrag',
    'Mis de côté pour la commande',
    'Apartado del pedido',
    'שמור להזמנה',
  ],
  counterSale: ['Counter sale', 'Barverkauf', 'Vente au comptoir', 'Venta en mostrador', 'מכירה בדלפק'],
  takenOff: [
    'Taken off what you owe',
    'Von Ihrer Schuld abgezogen',
    'Déduit de ce que vous devez',
    'Descontado de lo que debe',
    'הופחת מחובך',
  ],
  keptForYou: [
    'Credited to your account',
    'Ihrem Konto gutgeschrieben',
    'Crédité sur votre compte',
    'Abonado en su cuenta',
    'נזקף לחשבונך',
  ],
  dueOnInvoice: [
    'Due on invoice',
    'Fällig bei Rechnung',
    'À réception de facture',
    'Al recibir la factura',
    'עם החשבונית',
  ],
  depositTerms: ['deposit', 'Anzahlung', 'd’acompte', 'de anticipo', 'מקדמה'],
  layaway: ['Layaway', 'Ansparkauf', 'Mise de côté', 'Apartado', 'שמירה בתשלומים'],
  installments: ['installments', 'Raten', 'mensualités', 'plazos', 'תשלומים'],
  off: ['discount within', 'Skonto innerhalb von', 'd’escompte sous', 'de descuento en', 'הנחה בתוך'],
} as const satisfies Record<string, readonly [string, string, string, string, string]>

export type PaperWord = keyof typeof PAPER_WORDS

/** A word of the papers in a language; English where the language is not one of ours. */
export const paperWords = (language: string): PaperTongue => {
  const at = Math.max(0, PAPER_LANGUAGES.indexOf(language as PaperLanguage))
  return Object.assign((word: PaperWord) => present(PAPER_WORDS[word][at]), {
    language: present(PAPER_LANGUAGES[at]),
    day: (d: Day) => formatDayIn(present(PAPER_LANGUAGES[at]), d),
  })
}

/** The words of papers in one language, and how it writes a day. */
export interface PaperTongue {
  (word: PaperWord): string
  readonly language: PaperLanguage
  readonly day: (d: Day) => string
}

/**
 * A day with its month by name in one of the languages of papers, in Latin digits.
 *
 * @example formatDayIn('en', day('2026-03-05')) // 5 Mar 2026
 * @example formatDayIn('de', day('2026-03-05')) // 5. März 2026
 * @example formatDayIn('fr', day('2026-12-24')) // 24 déc. 2026
 */
export const formatDayIn = (language: PaperLanguage, d: Day): string =>
  language === 'en'
    ? formatDay(d)
    : new Intl.DateTimeFormat(language, {
        day: 'numeric',
        month: 'short',
        year: 'numeric',
        numberingSystem: 'latn',
        timeZone: 'UTC',
      }).format(instantOf(d))

/**
 * Whether a language is written from right to left.
 *
 * @example isRightToLeft('he') // true
 */
export const isRightToLeft = (language: string): boolean => language === 'he'
