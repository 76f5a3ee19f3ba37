import { useState } from "react";
import { createRoot } from "react-dom/client";

/** The least a React page can do with a key: one input, and its text beside it. On a page of the product, above what is there. */
function Bare() {
  const [text, setText] = useState("");
  return (
    <>
      <input id="reading" value={text} onChange={(event) => setText(event.target.value)} />
      <p id="verdict">{text}</p>
    </>
  );
}

const place = document.createElement("div");
(document.querySelector("main") ?? document.body).prepend(place);
createRoot(place).render(<Bare />);
