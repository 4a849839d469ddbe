/** One line of the report; a ratio is to something measured in the same run. */
export interface Row {
  name: string
  value: number
  unit: string
  ratio?: number
  of?: string
}

let sink = 0

/** How often work runs in a second, after warming up; its results are kept so that none is left out. */
export function perSecond(work: (i: number) => number, seconds = 1.5): number {
  const until = (ms: number) => {
    const start = performance.now()
    let i = 0
    while (performance.now() - start < ms) for (let k = 0; k < 50; k++) sink += work(i++)
    return i / ((performance.now() - start) / 1000)
  }
  until(500)
  return until(seconds * 1000)
}

/** Median and 95th percentile of the time of one run, ms. */
export function quantile(work: (i: number) => number, runs: number): { median: number; p95: number } {
  const times = Array.from({ length: runs }, (_, i) => {
    const start = performance.now()
    sink += work(i)
    return performance.now() - start
  })
  return quantilesOf(times)
}

/** The same for work that waits. */
export async function quantileAsync(
  work: (i: number) => Promise<unknown>,
  runs: number,
): Promise<{ median: number; p95: number }> {
  const times: number[] = []
  for (let i = 0; i < runs; i++) {
    const start = performance.now()
    await work(i)
    times.push(performance.now() - start)
  }
  return quantilesOf(times)
}

/** The same for so many runs by several clients at once, each beginning its next when the last has ended. */
export async function atOnce(
  work: (i: number) => Promise<unknown>,
  runs: number,
  clients: number,
): Promise<{ median: number; p95: number }> {
  const times: number[] = []
  let begun = 0
  await Promise.all(
    Array.from({ length: clients }, async () => {
      while (begun < runs) {
        const start = performance.now()
        await work(begun++)
        times.push(performance.now() - start)
      }
    }),
  )
  return quantilesOf(times)
}

function quantilesOf(times: number[]): { median: number; p95: number } {
  times.sort((a, b) => a - b)
  const at = (share: number) => times[Math.min(times.length - 1, Math.floor(share * times.length))]!
  return { median: at(0.5), p95: at(0.95) }
}

export function print(rows: Row[]): void {
  for (const { name, value, unit, ratio, of } of rows) {
    const figure = value >= 100 ? value.toFixed(0) : value.toPrecision(3)
    const beside = ratio === undefined ? '' : `${ratio.toFixed(ratio < 10 ? 2 : 0)} × ${of}`
    process.stdout.write(`${name.padEnd(62)} ${`${figure} ${unit}`.padStart(14)}   ${beside}\n`)
  }
  if (Number.isNaN(sink)) throw new Error('a figure was not a number')
}
