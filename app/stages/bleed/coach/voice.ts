import type { Outputs, Tone } from './call-queue'

/** Hz one after the other, each for so many s: one's own call rises, the other's is one low note, a warning is three. */
const NOTES: Record<Tone, readonly number[]> = {
  mine: [660, 880],
  other: [330],
  warning: [980, 740, 980],
}
const NOTE = 0.12
/** ms after which a word that does not say that it has ended is taken as said. */
const LONGEST = 4000

/** The device's own voice and tones. Made at a touch: before one, browsers make no sound. */
export function deviceOutputs(): Outputs {
  let context: AudioContext | null = null
  const sound = () => {
    context ??= new AudioContext()
    if (context.state === 'suspended') void context.resume()
    return context
  }
  return {
    tone: (tone, volume) => {
      try {
        const audio = sound()
        NOTES[tone].forEach((frequency, i) => {
          const [note, gain] = [audio.createOscillator(), audio.createGain()]
          note.frequency.value = frequency
          gain.gain.value = 0.5 * volume
          note.connect(gain).connect(audio.destination)
          note.start(audio.currentTime + i * NOTE)
          note.stop(audio.currentTime + (i + 0.9) * NOTE)
        })
      } catch {
        // No sound on this device: the word stands on the screen.
      }
    },
    speak: (words, volume) => {
      const speech = globalThis.speechSynthesis as SpeechSynthesis | undefined
      if (!speech || speech.getVoices().length === 0) return Promise.resolve()
      return new Promise((resolve) => {
        const said = new SpeechSynthesisUtterance(words)
        said.volume = volume
        said.onend = said.onerror = () => resolve()
        setTimeout(resolve, LONGEST)
        speech.speak(said)
      })
    },
  }
}
