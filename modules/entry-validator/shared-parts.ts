/** What is worth a function of its own: shorter parts cost less where they stand. Letters of JSON. */
const LEAST = 40
/** Under these stand values, not schemas. */
const VALUES: ReadonlySet<string> = new Set(['const', 'default', 'discriminator', 'enum', 'required'])

type Json = Record<string, unknown>
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * The same schemas with what stands in them more than once named and referred to: compiled, each is then written once and not
 * at every place, which halves the script that every job's page carries.
 * @param prefix of the names, under which the parts are to be added to the compiler
 */
export function sharedParts<T extends Record<string, object>>(
  schemas: T,
  prefix: string,
): { schemas: Record<keyof T, object>; parts: Record<string, object> } {
  const met = new Map<string, number>()
  function count(value: unknown, isSchema: boolean): void {
    if (Array.isArray(value)) value.forEach((one) => count(one, true))
    if (!isObject(value)) return
    if (isSchema) {
      const key = JSON.stringify(value)
      const before = met.get(key) ?? 0
      met.set(key, before + 1)
      // What stands within it stands there again no oftener than it does itself.
      if (before > 0) return
    }
    for (const [name, one] of Object.entries(value))
      if (!VALUES.has(name) || !isSchema) count(one, name !== 'properties' || !isSchema)
  }
  Object.values(schemas).forEach((one) => count(one, true))

  const names = new Map<string, string>()
  const parts: Record<string, object> = {}
  function put(value: unknown, isSchema: boolean, isWhole = false): unknown {
    if (Array.isArray(value)) return value.map((one) => put(one, true))
    if (!isObject(value)) return value
    const within = () =>
      Object.fromEntries(
        Object.entries(value).map(([name, one]) => [
          name,
          isSchema && VALUES.has(name) ? one : put(one, name !== 'properties' || !isSchema),
        ]),
      )
    const key = JSON.stringify(value)
    if (isWhole || !isSchema || key.length < LEAST || met.get(key)! < 2) return within()
    if (!names.has(key)) {
      names.set(key, `${prefix}${names.size}`)
      parts[names.get(key)!] = within()
    }
    return { $ref: names.get(key) }
  }
  const whole = Object.entries(schemas).map(([name, one]) => [name, put(one, true, true)])
  return { schemas: Object.fromEntries(whole) as Record<keyof T, object>, parts }
}
