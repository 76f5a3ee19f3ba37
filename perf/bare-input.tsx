import { useState } from "react";
import { createRoot } from "react-dom/client";

/** The least a React page can do with a key: one input, and its text beside it. */
function Bare() {
  const [text, setText] = useState("");
  return (
    <>
      <input id="reading" value={text} onChange={(event) => setText(event.target.value)} />
      <p id="verdict">{text}</p>
    </>
  );
}

createRoot(document.body.appendChild(document.createElement("div"))).render(<Bare />);
