import sharp from 'sharp'

/** A photograph as a telephone makes it: held sideways, with the place where it was taken written into it. */
export const photograph = (
  width = 900,
  height = 600,
  colour = { r: 140, g: 96, b: 40 },
): Promise<Buffer> =>
  sharp({ create: { width, height, channels: 3, background: colour } })
    .jpeg()
    .withMetadata({ orientation: 6 })
    .withExifMerge({
      IFD0: { Make: 'Camera' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '53/1 47/1 30/1', GPSLongitudeRef: 'W' },
    })
    .toBuffer()
