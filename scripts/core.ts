import { readFileSync } from 'node:fs'
import { coreAnswer } from './core-answer'

/** `npm run --silent core -- <verb>`: JSON on standard input, JSON on standard output, exit 2 on bad input. */
const { output, exit } = coreAnswer(process.argv[2], readFileSync(0, 'utf8'))
process.stdout.write(`${JSON.stringify(output, null, 2)}\n`)
process.exitCode = exit
