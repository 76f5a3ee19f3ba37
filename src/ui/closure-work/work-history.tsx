import type { ClosureAtWork, ClosureRecorded, ClosureWork } from "@/core";
import { t } from "@/messages/closure-work";
import { decimal, moment } from "@/messages/numbers";

interface WorkHistoryProps {
  readonly events: readonly ClosureRecorded[];
  readonly work: ClosureWork;
  readonly at: ClosureAtWork;
  /** Names of people by their ids. */
  readonly nameOf: (person: string | null) => string;
}

/** All that happened to a closure, the newest first: what its record tells. */
export function WorkHistory({ events, work, at, nameOf }: WorkHistoryProps) {
  const numberOf = (id: string) => {
    const place = at.plan.splices.findIndex((splice) => splice.id === id);
    return place < 0 ? t("unknown-splice") : String(place + 1);
  };
  const textOf = (item: string) => work.items.find(({ id }) => id === item)?.text.text ?? item;
  const line = ({ event }: ClosureRecorded): string => {
    switch (event.kind) {
      case "done":
        return t("event-done", { text: textOf(event.item) });
      case "undone":
        return t("event-undone", { text: textOf(event.item) });
      case "radius":
        return t("event-radius", { value: decimal(String(event.radius / 1_000)), text: textOf(event.item) });
      case "gap":
        return t("event-radius", { value: decimal(String(event.gap / 1_000)), text: textOf(event.item) });
      case "torque":
        return t("event-torque", { value: decimal(String(event.newtonMetres)), text: textOf(event.item) });
      case "power":
        return `${t("event-power", {
          value: decimal(event.dBm.toFixed(2)),
          wavelength: event.wavelength,
          text: textOf(event.item),
        })}${event.simulated ? t("simulated-try") : ""}`;
      case "splice":
        return `${t("event-splice", {
          number: numberOf(event.splice),
          estimate: decimal(String(event.estimateDb)),
        })}${event.splicer?.simulated ? t("simulated-try") : ""}`;
      case "accept":
        return t("event-accept", { number: numberOf(event.splice), reason: event.reason });
      case "leave":
        return t("event-leave", { number: numberOf(event.splice), reason: event.reason });
      case "reopen":
        return t("event-reopen", { reason: event.reason });
    }
  };
  return (
    <section aria-label={t("history")}>
      <h2 className="font-bold text-lg">{t("history")}</h2>
      {events.length === 0 && <p className="text-soft">{t("nothing-yet")}</p>}
      <ol>
        {events.toReversed().map((recorded) => (
          <li key={recorded.id} className="border-line border-t py-1">
            {line(recorded)}
            <span className="block text-soft text-sm">
              {t("who-and-when", { who: nameOf(recorded.by), when: moment(new Date(recorded.at)) })}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
