/** Where the paper behind a line of the trail is shown. */
export const paperHref = (paper: { readonly kind: string; readonly id: number } | null): string | null =>
  paper === null
    ? null
    : paper.kind === 'invoice'
      ? `/invoices/${paper.id}`
      : paper.kind === 'receipt'
        ? `/receipts/${paper.id}`
        : paper.kind === 'handover'
          ? `/handovers/${paper.id}`
          : paper.kind === 'post'
            ? `/post/${paper.id}`
            : paper.kind === 'deposit-request'
              ? `/api/v1/export/papers/deposit-request/${paper.id}.pdf`
              : null
