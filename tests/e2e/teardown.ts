import { testMariadb } from '../harness/running'

export default async function teardown(): Promise<void> {
  await (await testMariadb()).stop()
}
