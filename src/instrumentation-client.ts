// Before any page of the browser says anything: the core's sentences.
import "@/messages/core-texts";
import { setNonce } from "get-nonce";
import { pageNonce } from "./ui/controls/nonce";

// A dialog's package puts in a style sheet of its own, to hold the page behind it still.
setNonce(pageNonce() ?? "");
