import { wrap, type Remote } from 'comlink'
import { onScopeDispose } from 'vue'
import type { Diagnoser, DiagnosisAsked } from '~/workers/diagnose'
import { newestOf } from './newest'

/** The circuit and what is known of it on one line, the question on the next: the first alone makes the tables anew. */
export const writeDiagnosis = ({ known, question }: DiagnosisAsked): string =>
  `${JSON.stringify(known)}\n${JSON.stringify(question)}`

/** Askers of a worker that keeps the tables ready for the last circuit; it is started when first asked. */
export function useDiagnosers() {
  let worker: { remote: Remote<Diagnoser>; broke: Promise<never> } | undefined
  let end = (): void => {}
  onScopeDispose(() => end())
  function started() {
    if (worker) return worker
    const thread = new Worker(new URL('../workers/diagnose.ts', import.meta.url), { type: 'module' })
    end = () => thread.terminate()
    const broke = new Promise<never>((_, reject) => {
      thread.onerror = (event) => {
        thread.terminate()
        worker = undefined
        reject(new Error(event.message || 'What this adds up to could not be worked out.'))
      }
    })
    broke.catch(() => {})
    return (worker = { remote: wrap<Diagnoser>(thread), broke })
  }
  return () =>
    newestOf((text: string) => {
      const { remote, broke } = started()
      return Promise.race([remote.ask(text), broke])
    })
}
