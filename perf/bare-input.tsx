import { useState } from "react";
import { createRoot } from "react-dom/client";

/**
 * The least a React page can do with a key: one input, and its text beside it; and with a hand that is drawn over bars: the
 * bar's number. On a page of the product, above what is there.
 */
function Bare() {
  const [text, setText] = useState("");
  const [over, setOver] = useState(0);
  return (
    <>
      <input id="reading" value={text} onChange={(event) => setText(event.target.value)} />
      <p id="verdict">{text}</p>
      {Array.from({ length: 12 }, (_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a bar has no other name
        <div key={i} data-bar={i} style={{ height: 9 }} onPointerEnter={() => setOver(i)} />
      ))}
      <p id="over">{over}</p>
    </>
  );
}

const place = document.createElement("div");
(document.querySelector("main") ?? document.body).prepend(place);
createRoot(place).render(<Bare />);
