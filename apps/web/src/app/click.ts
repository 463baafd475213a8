/** One short tone on the audio clock. */
export function click(audio: AudioContext, at: number, hertz: number, seconds: number): void {
  const tone = audio.createOscillator();
  const loudness = audio.createGain();
  tone.frequency.value = hertz;
  loudness.gain.setValueAtTime(0.5, at);
  loudness.gain.exponentialRampToValueAtTime(0.001, at + seconds);
  tone.connect(loudness).connect(audio.destination);
  tone.start(at);
  tone.stop(at + seconds);
}
