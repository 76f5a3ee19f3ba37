// Before any page of the browser says anything: the core's sentences.
import "@/messages/core-texts";
