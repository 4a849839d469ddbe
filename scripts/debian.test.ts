import { afterEach, describe, expect, it, vi } from 'vitest'
import { ensureProgram, Plain } from './debian'

afterEach(() => vi.restoreAllMocks())

describe('a missing program', () => {
  it('that is there is left alone', () => {
    expect(() => ensureProgram('sh', 'no-such-package')).not.toThrow()
  })

  it('that only root may install: says which command to run', () => {
    vi.spyOn(process, 'getuid').mockReturnValue(1000)
    expect(() => ensureProgram('no-such-program', 'its-package')).toThrow(Plain)
    expect(() => ensureProgram('no-such-program', 'its-package')).toThrow(
      /only root may install it\. Run: sudo apt-get install its-package/,
    )
  })
})
