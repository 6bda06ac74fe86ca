'use client'
import type { Track } from '@/core/kinds'
import { FormText } from '../form/inputs'

/** Which lot or serials a line is about, where its goods are told apart: named `lines.0.lot` and `lines.0.serials`. */
export const WhichPieces = ({ track, needed }: { readonly track: Track; readonly needed: boolean }) =>
  track === 'lot' ? (
    <FormText name="lines.0.lot" label="Lot" most={60} hint={needed ? undefined : 'Empty: the earliest to expire'} />
  ) : track === 'serial' ? (
    <FormText
      name="lines.0.serials"
      label="Serials"
      most={2000}
      hint={needed ? 'With commas between, or scan one after the other' : 'Empty: those that came first'}
    />
  ) : null
