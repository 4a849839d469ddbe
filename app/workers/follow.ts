import { Following, followRun, type FollowAnswer, type Followed, type RankAsked } from '~~/core/bleed'
import type { Run } from '~~/core/run'

/** What a bleed is followed by: what it is asked of, and its log. */
export interface FollowAsked {
  asked: RankAsked
  logged: readonly Followed[]
}
/** The circuit on the first line, each logged line on its own: what was gone through already is told by its text. */
export const writeFollow = ({ asked, logged }: FollowAsked): string =>
  [asked, ...logged].map((one) => JSON.stringify(one)).join('\n')

/**
 * A bleed that is followed stays here with how far it has got, so that what is logged next is all that has to be gone through, also where
 * the question before was given up halfway.
 */
let followed: { asked: string; lines: string[]; following: Following; done: number } | null = null

/** @param text as it is written above */
export function followText(text: string): Run<FollowAnswer> {
  const [asked = '', ...lines] = text.split('\n')
  const begun = followed ? Math.ceil(followed.done / followed.following.size) : 0
  const goesOn =
    followed?.asked === asked &&
    begun <= lines.length &&
    followed.lines.slice(0, begun).every((line, i) => line === lines[i])
  const mine =
    goesOn && followed
      ? { ...followed, lines }
      : { asked, lines, following: new Following(JSON.parse(asked) as RankAsked), done: 0 }
  followed = mine
  const logged = lines.map((line) => JSON.parse(line) as Followed)
  const run = followRun(mine.following, logged, mine.done)
  return {
    total: run.total,
    step(count) {
      mine.done = run.step(count)
      return mine.done
    },
    result: () => run.result(),
  }
}
