/** What opens the demo; said where it is started. */
export const DEMO_PASSPHRASE = 'fern hollow opens at nine'
