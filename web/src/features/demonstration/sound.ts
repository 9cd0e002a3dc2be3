/** A tone: how high, and how long it rings. */
export interface Tone {
  hertz: number
  seconds: number
}

/** Tones on the audio clock, which a busy page does not shake. Nothing is opened before the first is asked for. */
export function sounds() {
  let context: AudioContext | undefined

  function play(inSeconds: number, tone: Tone) {
    context ??= new AudioContext()
    void context.resume()
    const at = context.currentTime + Math.max(0, inSeconds)
    const source = context.createOscillator()
    const loud = context.createGain()
    source.frequency.value = tone.hertz
    loud.gain.setValueAtTime(0.25, at)
    loud.gain.exponentialRampToValueAtTime(0.001, at + tone.seconds)
    source.connect(loud).connect(context.destination)
    source.start(at)
    source.stop(at + tone.seconds)
  }
  return { play, close: () => void context?.close() }
}

/** A voice that needs no network, of this computer; undefined where there is none. */
export function localVoice(): SpeechSynthesisVoice | undefined {
  const voices = globalThis.speechSynthesis?.getVoices().filter((v) => v.localService) ?? []
  return voices.find((v) => v.lang.startsWith(document.documentElement.lang || 'en')) ?? voices[0]
}

/** Says something at once, instead of what is still being said. @returns whether there is a voice to say it */
export function say(text: string): boolean {
  const voice = localVoice()
  if (!voice) return false
  const said = new SpeechSynthesisUtterance(text)
  said.voice = voice
  said.rate = 1.1
  speechSynthesis.cancel()
  speechSynthesis.speak(said)
  return true
}
