"use client";

import { useEffect, useState } from "react";

const KEY = "arlent:drill-sound";
/** Pitches of a right and a wrong answer, hertz; length, seconds; loudness, 0 to 1. */
const [RIGHT, WRONG, LENGTH, LOUDNESS] = [880, 220, 0.15, 0.08];

/** A short tone for each answer, off until it is switched on; kept on the device. */
export function useSound() {
  const [isOn, setIsOn] = useState(false);
  useEffect(() => setIsOn(localStorage.getItem(KEY) === "on"), []);
  return {
    isOn,
    toggle: () => {
      localStorage.setItem(KEY, isOn ? "off" : "on");
      setIsOn(!isOn);
    },
    play: (isRight: boolean) => {
      if (!isOn) return;
      const context = new AudioContext();
      const [tone, gain] = [context.createOscillator(), context.createGain()];
      tone.frequency.value = isRight ? RIGHT : WRONG;
      gain.gain.value = LOUDNESS;
      tone.connect(gain).connect(context.destination);
      tone.onended = () => void context.close();
      tone.start();
      tone.stop(context.currentTime + LENGTH);
    },
  };
}
