import { afterEach, describe, expect, it, vi } from 'vitest'
import { ensureProgram, Plain } from './debian'

afterEach(() => vi.restoreAllMocks())

describe('a missing program', () => {
  it('that is there is left alone', async () => {
    await expect(ensureProgram('sh', 'no-such-package')).resolves.toBeUndefined()
  })

  it('that only root may install: says which command to run', async () => {
    vi.spyOn(process, 'getuid').mockReturnValue(1000)
    await expect(ensureProgram('no-such-program', 'its-package')).rejects.toThrow(Plain)
    await expect(ensureProgram('no-such-program', 'its-package')).rejects.toThrow(
      /only root may install it\. Run: sudo apt-get install its-package/,
    )
  })
})
