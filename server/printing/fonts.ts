import { useStorage } from 'nitropack/runtime'
import { FONT_FILES, type Fonts } from './font-files'

let read: Promise<Fonts> | undefined
/** The letters that pages are set in, as a thread is given them. */
export const fontBytes = (): Promise<Fonts> => (read ??= readAll())

async function readAll(): Promise<Fonts> {
  const files = Object.values(FONT_FILES).map(async (file) => {
    const bytes = await useStorage('assets:pdf-fonts').getItemRaw<Uint8Array>(file)
    if (!bytes) throw new Error(`the font ${file} is missing`)
    return [file, new Uint8Array(bytes)] as const
  })
  return Object.fromEntries(await Promise.all(files))
}
