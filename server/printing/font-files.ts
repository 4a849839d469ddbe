/** The app's own letters, each with the file it is kept in: they ship with it, and nothing is fetched while a page is set. */
export const FONT_FILES = {
  normal: 'atkinson-hyperlegible-latin-400-normal.woff',
  bold: 'atkinson-hyperlegible-latin-700-normal.woff',
  italics: 'atkinson-hyperlegible-latin-400-italic.woff',
  bolditalics: 'atkinson-hyperlegible-latin-700-italic.woff',
} as const
/** Bytes by file. */
export type Fonts = Record<string, Uint8Array>
