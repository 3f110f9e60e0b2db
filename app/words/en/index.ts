/** Every word of the interface in English, by screen. */
export const en = {}
