import { startSuite, stopSuite } from '../harness/running'

export async function setup(): Promise<void> {
  await startSuite('api')
}
export async function teardown(): Promise<void> {
  await stopSuite('api')
}
