/** What Ctrl+K finds by name beside documents, orders and customers. */
export interface Entry {
  key: string
  what: 'Place' | 'Setting' | 'Report' | 'Act' | 'Help'
  words: string
  /** Other words that clerks have for it. */
  also: string
  to: string
  /** Who may: everybody who is not named below that role. */
  for?: 'clerk' | 'supervisor'
}
