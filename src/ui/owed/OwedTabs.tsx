import { To } from '@/ui/To'

const TABS = [
  { href: '/owed', name: 'By age' },
  { href: '/owed/plans', name: 'Payment plans' },
  { href: '/owed/layaways', name: 'Layaway' },
  { href: '/owed/held', name: 'Held money' },
  { href: '/owed/expected', name: 'Expected' },
  { href: '/owed/habits', name: 'Paying habits' },
] as const

/** The sides of what is owed. */
export const OwedTabs = ({ at }: { readonly at: (typeof TABS)[number]['href'] }) => (
  <nav aria-label="Owed sections" className="mb-5 flex flex-wrap gap-x-5 border-b border-paper-300">
    {TABS.map((t) => (
      <To
        key={t.href}
        href={t.href}
        aria-current={t.href === at ? 'page' : undefined}
        className={`-mb-px py-1.5 ${t.href === at ? 'border-b-2 border-rust-600 font-bold' : 'text-iron-700 hover:text-iron-900'}`}
      >
        {t.name}
      </To>
    ))}
  </nav>
)
