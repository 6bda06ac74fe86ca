import type { Doing } from './actions'
import type { SheetSale } from './panels/parts'

/** What can be done about what is promised on a sale now. */
export const doingsFor = ({ promise, held, stands }: SheetSale): readonly { doing: Doing; label: string }[] => [
  ...(promise.plans.length > 0
    ? ([
        { doing: 'pay-off', label: 'Pay off early' },
        { doing: 'reschedule', label: 'Arrange the rest anew' },
        { doing: 'card', label: 'Collect by card' },
      ] as const)
    : []),
  ...(promise.layaway && stands === 'agreed' ? ([{ doing: 'give-up', label: 'Give it up' }] as const) : []),
  ...(Number(held) > 0 || (Number(promise.onAccount) > 0 && (stands === 'agreed' || stands === 'offered'))
    ? ([{ doing: 'held', label: 'Held money' }] as const)
    : []),
  ...(promise.dues.length > 0
    ? ([
        { doing: 'promise', label: 'They promised to pay' },
        ...(promise.dues.some((d) => d.late) ? ([{ doing: 'charge-late', label: 'Late charge' }] as const) : []),
        { doing: 'write-off', label: 'Write off' },
      ] as const)
    : []),
]
