import { setTexts } from "@/core";
import { catalogue } from "./catalogue";
import core from "./en/core.json" with { type: "json" };
import entry from "./en/entry.json" with { type: "json" };
import looks from "./en/looks.json" with { type: "json" };
import review from "./en/review.json" with { type: "json" };
import service from "./en/service.json" with { type: "json" };
import violations from "./en/violations.json" with { type: "json" };

type Room = (key: string, values: Readonly<Record<string, string | number>>) => string;

/** The rooms whose messages the core names by key. */
const ROOMS: Readonly<Record<string, Room>> = {
  core: catalogue<Record<string, string>>("core", core),
  entry: catalogue<Record<string, string>>("entry", entry),
  looks: catalogue<Record<string, string>>("looks", looks),
  review: catalogue<Record<string, string>>("review", review),
  service: catalogue<Record<string, string>>("service", service),
  violations: catalogue<Record<string, string>>("violations", violations),
};

/** Gives the core its sentences: every program imports this before it says anything. */
setTexts((room, key, values) => ROOMS[room]?.(key, values) ?? `${room}/${key}`);
