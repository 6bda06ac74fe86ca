import library from '@testing-library/user-event'

/** A hand as fast as the program: no pause between two keys. */
export const userEvent = library.setup({ delay: null })
