/** Which way back fits which mistake, where one of them is about to be taken. */
export const WhichWayBack = () => (
  <p className="sub mb-3">
    Wrongly entered: void it. Returned by the bank: bounced. Price or goods wrong: credit note. Will never be paid:
    write it off.
  </p>
)
