import { wrap, type Remote } from 'comlink'
import { onScopeDispose, ref } from 'vue'
import type { Diagnoser } from '~/workers/diagnose'

/** A worker that keeps the tables ready for the last circuit, started when first asked. */
export function useDiagnoser() {
  let worker: Worker | undefined
  let remote: Remote<Diagnoser> | undefined
  const broken = ref('')
  onScopeDispose(() => worker?.terminate())
  function diagnoser(): Remote<Diagnoser> {
    if (remote) return remote
    worker = new Worker(new URL('../workers/diagnose.ts', import.meta.url), { type: 'module' })
    worker.onerror = (event) =>
      (broken.value = event.message || 'What this adds up to could not be worked out.')
    return (remote = wrap<Diagnoser>(worker))
  }
  return { diagnoser, broken }
}
