import "./core-texts";
import { speakAsSet } from "./load";

/** Sets the language before any other module makes a text: a program imports this first. */
speakAsSet();
