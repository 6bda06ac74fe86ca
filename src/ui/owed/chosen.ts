/** The form that the boxes of customers belong to. */
export const CHOSEN = 'chosen-customers'
