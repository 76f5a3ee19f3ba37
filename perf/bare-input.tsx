import { useEffect, useState } from "react";
import { createRoot } from "react-dom/client";

/**
 * The least a React page can do with a key: one input, and its text beside it; and with a hand that is drawn over bars: the
 * bar's number; and with an arrow key that every bar of a drawing follows. On a page of the product, above what is there.
 */
function Bare() {
  const [text, setText] = useState("");
  const [over, setOver] = useState(0);
  const [height, setHeight] = useState(10);
  useEffect(() => {
    const step = ({ key }: KeyboardEvent) => {
      if (key === "ArrowUp") setHeight((now) => now + 1);
      if (key === "ArrowDown") setHeight((now) => now - 1);
    };
    window.addEventListener("keydown", step);
    return () => window.removeEventListener("keydown", step);
  }, []);
  return (
    <>
      <input id="reading" value={text} onChange={(event) => setText(event.target.value)} />
      <p id="verdict">{text}</p>
      {Array.from({ length: 12 }, (_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a bar has no other name
        <div key={i} data-bar={i} style={{ height: 9 }} onPointerEnter={() => setOver(i)} />
      ))}
      <p id="over">{over}</p>
      <svg width="1200" height="120">
        <title>bars</title>
        {Array.from({ length: 32 }, (_, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a bar has no other name
          <rect key={i} x={i * 36} width="26" y={0} height={height + i} />
        ))}
      </svg>
      <p role="status">{height}</p>
    </>
  );
}

const place = document.createElement("div");
(document.querySelector("main") ?? document.body).prepend(place);
createRoot(place).render(<Bare />);
