import type { CustomerPage as Page } from '@/model/people/customers'

/** Whom to ask for, and where they are. */
export const Who = ({ page }: { readonly page: Page }) => (
  <>
    {page.contacts.length > 0 && (
      <section>
        <h2>Contacts</h2>
        {page.contacts.map((c) => (
          <p key={c.id} className="mb-1">
            {c.name}
            <span className="sub"> {[c.role, c.phone, c.email].filter(Boolean).join(' · ')}</span>
          </p>
        ))}
      </section>
    )}
    {page.addresses.length > 0 && (
      <section>
        <h2>Addresses</h2>
        {page.addresses.map((a) => (
          <p key={a.id} className="mb-2 whitespace-pre-line">
            <span className="sub">
              {a.kind === 'bill-to' ? 'Bill to' : 'Deliver to'}
              {a.isDefault && ', default'}
            </span>
            {'\n'}
            {a.text}
            {a.instructions && <span className="sub">{`\n${a.instructions}`}</span>}
          </p>
        ))}
      </section>
    )}
  </>
)
