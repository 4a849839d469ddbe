import type { ChildProcess, SpawnOptions } from 'node:child_process'

export class Ending extends Error {}
export function isEnding(): boolean
export function end(code: number): Promise<void>
export function endOnSignals(): void
export function startService(
  command: string,
  args: string[],
  options: SpawnOptions,
  stop: (child: ChildProcess) => Promise<void>,
): ChildProcess
export function runTool(
  command: string,
  args: string[],
  options?: { cwd?: string; env?: NodeJS.ProcessEnv; input?: string; show?: boolean },
): Promise<{ code: number | null; stdout: string; stderr: string }>
export function hasEnded(child: ChildProcess): boolean
export function stopService(child: ChildProcess, within: number): Promise<void>
