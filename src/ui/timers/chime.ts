/** Two short notes and, where the device can, a buzz: time is up. Silent where the browser allows no sound. */
export function chime(): void {
  try {
    navigator.vibrate?.([120, 80, 120]);
    const audio = new AudioContext();
    for (const [i, hertz] of [660, 880].entries()) {
      const tone = audio.createOscillator();
      const level = audio.createGain();
      tone.frequency.value = hertz;
      level.gain.setValueAtTime(0.15, audio.currentTime + i * 0.22);
      level.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + i * 0.22 + 0.2);
      tone.connect(level).connect(audio.destination);
      tone.start(audio.currentTime + i * 0.22);
      tone.stop(audio.currentTime + i * 0.22 + 0.21);
    }
    setTimeout(() => audio.close(), 900);
  } catch {
    // No sound to be had: the tray and the message still say it.
  }
}
