import { loadDemo } from '../../demo/load'
import { startSuite } from '../harness/running'

export default async function setup(): Promise<void> {
  await startSuite('e2e', loadDemo)
}
