import { stopSuite } from '../harness/running'

export default async function teardown(): Promise<void> {
  await stopSuite('e2e')
}
