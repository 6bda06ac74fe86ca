/** One tax code at 8.25 %, as forms are given it. */
export const STD_CODES = [
  {
    id: 1,
    code: 'STD',
    name: 'Standard',
    treatment: 'taxed' as const,
    rateId: 1,
    rates: [{ id: 1, components: [{ id: 1, name: 'State', rate: '0.0825' }] }],
  },
]
