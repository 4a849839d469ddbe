/** Where the database is, from the environment; the start command sets these for its private server. */
export interface DatabaseSettings {
  host: string
  port: number
  name: string
  user: string
  password: string
}

export class SettingsError extends Error {
  override readonly name = 'SettingsError'
}

export function databaseSettings(
  env: Record<string, string | undefined> = process.env,
): DatabaseSettings {
  const missing = ['MELLOW_DB_NAME', 'MELLOW_DB_USER', 'MELLOW_DB_PASSWORD'].filter(
    (name) => !env[name],
  )
  if (missing.length > 0)
    throw new SettingsError(`Set ${missing.join(', ')}, or start with \`npm run demo\`, which does`)
  const port = Number(env.MELLOW_DB_PORT ?? 3306)
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new SettingsError('MELLOW_DB_PORT must be a port, 1 to 65535')
  return {
    host: env.MELLOW_DB_HOST ?? '127.0.0.1',
    port,
    name: env.MELLOW_DB_NAME!,
    user: env.MELLOW_DB_USER!,
    password: env.MELLOW_DB_PASSWORD!,
  }
}
