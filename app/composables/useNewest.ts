/**
 * Of several questions under way at once the newest alone counts: an older answer that comes late is undefined,
 * so that it never covers what was saved or loaded since.
 */
export function useNewest() {
  let turn = 0
  return async <Answer>(ask: () => Promise<Answer>): Promise<Answer | undefined> => {
    const mine = ++turn
    const answer = await ask()
    return mine === turn ? answer : undefined
  }
}
