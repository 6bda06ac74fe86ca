/** Statements as banks write them, by hand from the standards: 11 and 12 March, opening 1,000.00, closing 1,408.00. */

interface Camt {
  readonly version?: string
  readonly currency?: string
  readonly opening?: string
  readonly closing?: string
  readonly more?: string
}

/** ISO 20022 camt.053: version 02 says the status as text and names parties without `Pty`, 08 the other way. */
export const camt053 = ({
  version = '02',
  currency = 'USD',
  opening = '1000.00',
  closing = '1408.00',
  more = '',
}: Camt = {}) => {
  const late = Number(version) >= 8
  const status = (s: string) => (late ? `<Sts><Cd>${s}</Cd></Sts>` : `<Sts>${s}</Sts>`)
  const party = (name: string) => (late ? `<Dbtr><Pty><Nm>${name}</Nm></Pty></Dbtr>` : `<Dbtr><Nm>${name}</Nm></Dbtr>`)
  const balance = (kind: string, amount: string, on: string) =>
    `<Bal><Tp><CdOrPrtry><Cd>${kind}</Cd></CdOrPrtry></Tp><Amt Ccy="${currency}">${amount}</Amt><CdtDbtInd>CRDT</CdtDbtInd><Dt><Dt>${on}</Dt></Dt></Bal>`
  return `<?xml version="1.0" encoding="UTF-8"?>
<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.${version}"><BkToCstmrStmt><GrpHdr><MsgId>M1</MsgId><CreDtTm>2026-03-12T20:00:00</CreDtTm></GrpHdr>
<Stmt><Id>S1</Id><CreDtTm>2026-03-12T20:00:00</CreDtTm><Acct><Id><IBAN>GB82WEST12345698765432</IBAN></Id><Ccy>${currency}</Ccy></Acct>
${balance('OPBD', opening, '2026-03-10')}${balance('CLBD', closing, '2026-03-12')}
<Ntry><NtryRef>1</NtryRef><Amt Ccy="${currency}">412.50</Amt><CdtDbtInd>CRDT</CdtDbtInd>${status('BOOK')}<BookgDt><Dt>2026-03-11</Dt></BookgDt><ValDt><Dt>2026-03-11</Dt></ValDt><AcctSvcrRef>REF-1</AcctSvcrRef>
<NtryDtls><TxDtls><Refs><EndToEndId>NOTPROVIDED</EndToEndId></Refs><RltdPties>${party('Hazel Adair')}</RltdPties><RmtInf><Ustrd>Invoice 2026-0147</Ustrd></RmtInf></TxDtls></NtryDtls></Ntry>
<Ntry><NtryRef>2</NtryRef><Amt Ccy="${currency}">4.50</Amt><CdtDbtInd>DBIT</CdtDbtInd>${status('BOOK')}<BookgDt><DtTm>2026-03-12T08:00:00</DtTm></BookgDt><AcctSvcrRef>REF-2</AcctSvcrRef><AddtlNtryInf>Account fee</AddtlNtryInf></Ntry>
<Ntry><NtryRef>3</NtryRef><Amt Ccy="${currency}">99.00</Amt><CdtDbtInd>DBIT</CdtDbtInd>${status('PDNG')}<ValDt><Dt>2026-03-14</Dt></ValDt></Ntry>${more}
</Stmt></BkToCstmrStmt></Document>`
}

/** OFX 1: SGML, what holds text is not closed; or 2: XML. */
export const ofx = ({
  version = 1,
  currency = 'USD',
}: { readonly version?: 1 | 2; readonly currency?: string } = {}) => {
  const leaf = (name: string, text: string) => (version === 1 ? `<${name}>${text}\n` : `<${name}>${text}</${name}>`)
  const line = (on: string, amount: string, id: string, name: string, memo: string) =>
    `<STMTTRN>${leaf('TRNTYPE', 'OTHER')}${leaf('DTPOSTED', on)}${leaf('TRNAMT', amount)}${leaf('FITID', id)}${leaf('NAME', name)}${leaf('MEMO', memo)}</STMTTRN>`
  const head =
    version === 1
      ? 'OFXHEADER:100\nDATA:OFXSGML\nVERSION:102\nSECURITY:NONE\nENCODING:USASCII\nCHARSET:1252\nCOMPRESSION:NONE\nOLDFILEUID:NONE\nNEWFILEUID:NONE\n\n'
      : '<?xml version="1.0" encoding="UTF-8"?>\n<?OFX OFXHEADER="200" VERSION="211" SECURITY="NONE" OLDFILEUID="NONE" NEWFILEUID="NONE"?>\n'
  return `${head}<OFX><SIGNONMSGSRSV1><SONRS><STATUS>${leaf('CODE', '0')}${leaf('SEVERITY', 'INFO')}</STATUS>${leaf('DTSERVER', '20260312')}</SONRS></SIGNONMSGSRSV1><BANKMSGSRSV1><STMTTRNRS>${leaf('TRNUID', '1')}<STMTRS>${leaf('CURDEF', currency)}<BANKACCTFROM>${leaf('BANKID', '1')}${leaf('ACCTID', '12345')}${leaf('ACCTTYPE', 'CHECKING')}</BANKACCTFROM><BANKTRANLIST>${leaf('DTSTART', '20260311')}${leaf('DTEND', '20260312')}${line('20260311120000[-5:EST]', '412.50', 'F1', 'ADAIR &amp; SON', 'INV 2026-0147')}${line('20260312', '-4.50', 'F2', 'ACCOUNT FEE', '')}</BANKTRANLIST><LEDGERBAL>${leaf('BALAMT', '1408.00')}${leaf('DTASOF', '20260312')}</LEDGERBAL></STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>`
}

/** The same as a table of a bank that writes decimal commas, newest first, below lines of its own. */
export const csvStatement = `Kontoauszug;;;
IBAN;GB82WEST12345698765432;;
Buchung;Text;Betrag;Saldo
12.03.2026;Account fee;-4,50;1.408,00
11.03.2026;Hazel Adair INV 2026-0147;412,50;1.412,50
`
export const CSV_FORMAT = {
  columns: { on: 'Buchung', text: 'Text', amount: 'Betrag', balance: 'Saldo' },
  delimiter: ';',
  decimal: ',',
  date: 'DD.MM.YYYY',
} as const
