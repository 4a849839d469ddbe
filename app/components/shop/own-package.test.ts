import { describe, expect, it } from 'vitest'
import { PACKAGES, readPackage } from '~~/core/plan'
import { draftOf, emptyStep, fileOf, ownId, stepIdOf } from './own-package'

describe('a package as it is edited', () => {
  it('comes back the same from the form, every usual one of them', () => {
    for (const pack of PACKAGES.values()) {
      if (pack.id === 'drain') continue
      const own = { ...pack, id: 'own-copy' }
      expect(readPackage(fileOf(draftOf(own)))).toEqual(readPackage(own))
    }
  })
  it('is refused with its field where a figure is none', () => {
    const draft = draftOf({ ...PACKAGES.get('makePipe')!, id: 'own-copy' })
    draft.steps[1]!.minutes[1] = 'soon'
    expect(() => readPackage(fileOf(draft))).toThrow(/Minutes/)
    draft.steps = [emptyStep(1)]
    expect(() => readPackage(fileOf(draft))).toThrow(/text of 1 to/)
  })
  it('makes names from titles', () => {
    expect(ownId('Spülen: der Schlauch')).toBe('own-spulen-der-schlauch')
    expect(ownId('—')).toBe('own-package')
    expect(stepIdOf('Rinse it through', 2)).toBe('rinseItThrough')
    expect(stepIdOf('3 turns', 2)).toBe('step2')
  })
})
