'use client'
import { FormArea, FormText } from '../form/inputs'

/** Whom to, about what, in which words; the names of its fields stand under `at` in their form. */
export const LetterFields = ({ at = '', autoFocus }: { readonly at?: string; readonly autoFocus?: boolean }) => (
  <div className="mt-2 grid gap-2">
    <FormText name={`${at}to`} label="To" type="email" most={200} autoFocus={autoFocus} />
    <FormText name={`${at}subject`} label="Subject" most={200} />
    <FormArea name={`${at}body`} label="Message" rows={10} most={10_000} />
  </div>
)
