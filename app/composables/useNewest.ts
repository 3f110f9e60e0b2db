/**
 * Of several questions under way at once the newest alone counts: an older answer that comes late is undefined,
 * also where it is a refusal, so that it never covers what was saved or loaded since.
 */
export function useNewest() {
  let turn = 0
  return async <Answer>(ask: () => Promise<Answer>): Promise<Answer | undefined> => {
    const mine = ++turn
    try {
      const answer = await ask()
      return mine === turn ? answer : undefined
    } catch (error) {
      if (mine === turn) throw error
      return undefined
    }
  }
}
