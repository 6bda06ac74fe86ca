'use client'
import { useController } from 'react-hook-form'
import type { PaperSettings } from '@/contract/paperSettings'
import { regionsWith } from '../regions'
import { Files } from '../files/Files'
import { FormArea, FormPick, FormQuantity, FormSelect, FormText } from '../form/inputs'
import { SettingsForm } from './SettingsForm'

interface Props {
  readonly business: PaperSettings
  /** The time zones to choose from. */
  readonly zones: readonly string[]
  readonly hasMark: boolean
}

/** The business as its papers show it. */
export const PapersForm = ({ business, zones, hasMark }: Props) => {
  const start = { ...business, estimateDays: String(business.estimateDays) }
  return (
    <section className="grid gap-3">
      <h2>On documents</h2>
      <SettingsForm
        start={start}
        asBody={(d: typeof start) => ({ ...d, estimateDays: Number(d.estimateDays) })}
        say={() => 'Saved.'}
        submit="Save"
        changes
      >
        <div className="grid gap-3">
          <FormText name="name" label="Name" most={120} />
          <FormArea name="address" label="Address" rows={3} most={500} />
          <div className="grid grid-cols-2 gap-3">
            <FormText name="phone" label="Phone" most={60} />
            <FormText name="email" label="Sender email" most={200} type="email" />
          </div>
          <FormText name="taxNumber" label="Tax ID (printed on every document)" most={40} />
          <FormArea
            name="paymentDetails"
            label="How to pay (printed on invoices, requests, statements)"
            rows={2}
            most={1000}
          />
          <div className="grid grid-cols-[2fr_1fr] gap-3">
            <FormText
              name="iban"
              label="IBAN"
              most={42}
              hint="With it, invoices in euros carry a code for banking apps"
            />
            <FormText name="bic" label="BIC (optional)" most={11} />
          </div>
          <FormText name="header" label="Line under the name" most={500} />
          <FormText name="footer" label="Footer" most={500} />
          <FormArea name="conditions" label="Terms and conditions (estimates, orders, invoices)" rows={3} most={4000} />
          <FormSelect
            name="locale"
            label="Region"
            options={regionsWith(business.locale)}
            hint="How numbers are written and typed dates are read; documents follow it too"
          />
          <FormSelect
            name="timeZone"
            label="Time zone"
            options={[
              { value: '', name: 'Same as the computer it runs on' },
              ...zones.map((z) => ({ value: z, name: z })),
            ]}
            hint="Decides when a new day begins"
          />
          <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-3">
            <FormQuantity name="estimateDays" label="Estimates valid for (days)" />
            <FormPick name="paperSize" label="Paper size" options={{ A4: 'A4', letter: 'letter' }} />
            <Color />
          </div>
        </div>
      </SettingsForm>
      {hasMark && (
        // oxlint-disable-next-line nextjs/no-img-element -- the owner's own picture, kept in the database
        <img src={`/api/v1/export/mark`} alt="Logo" className="max-h-15 max-w-50 object-contain" />
      )}
      <Files
        ownerKind="business"
        ownerId={1}
        files={[]}
        label={hasMark ? 'Replace logo' : 'Logo, PNG or JPEG'}
        accept="image/png,image/jpeg"
      />
    </section>
  )
}

const Color = () => {
  const { field } = useController<PaperSettings, 'colour'>({ name: 'colour' })
  return (
    <label>
      <span className="label">Color</span>
      <input type="color" className="field w-16 p-1" {...field} />
    </label>
  )
}
