import type { Doing } from './actions'
import type { SheetSale } from './panels/parts'

/** What can be done about what is promised on a sale now. */
export const doingsFor = ({ promise, held, stands }: SheetSale): readonly { doing: Doing; label: string }[] => [
  ...(promise.plans.length > 0
    ? ([
        { doing: 'pay-off', label: 'Pay off early' },
        { doing: 'reschedule', label: 'Reschedule' },
        { doing: 'card', label: 'Charge card automatically' },
      ] as const)
    : []),
  ...(promise.layaway && stands === 'agreed' ? ([{ doing: 'give-up', label: 'Cancel layaway' }] as const) : []),
  ...(Number(held) > 0 || (Number(promise.onAccount) > 0 && (stands === 'agreed' || stands === 'offered'))
    ? ([{ doing: 'held', label: 'Held money' }] as const)
    : []),
  ...(promise.dues.length > 0
    ? ([
        { doing: 'promise', label: 'Promise to pay' },
        ...(promise.dues.some((d) => d.late) ? ([{ doing: 'charge-late', label: 'Late fee' }] as const) : []),
        { doing: 'write-off', label: 'Write off' },
      ] as const)
    : []),
]
