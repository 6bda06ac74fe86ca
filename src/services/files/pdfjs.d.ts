/** The half of pdf.js that reads: loading it is all that is wanted of it, and it says no more of itself. */
declare module 'pdfjs-dist/legacy/build/pdf.worker.mjs'
