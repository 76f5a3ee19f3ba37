"use client";

import { Check, TriangleAlert } from "lucide-react";
import { type ReactNode, useEffect, useId, useRef } from "react";
import { markedName, type ToolStanding } from "@/core";
import { t } from "@/messages/shift";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { signedMm } from "../words/length-text";
import { LocalTime } from "../words/local-time";
import { AnotherTool } from "./another-tool";
import { failedCheckAdvice } from "./check-texts";
import type { Shift } from "./use-shift";

/** Result of a tool's check; of one that failed, what to do, and the ends made since the last good one. */
export function CheckedPanel({ tool, shift }: { readonly tool: ToolStanding; readonly shift: Shift }) {
  const { last } = tool;
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => first.current?.focus(), []);
  if (!last) return null;
  const name = markedName(tool.name, tool.mark);
  return (
    <div>
      <h2 className={`flex items-center gap-3 font-bold text-2xl ${last.good ? "text-in" : "text-out"}`}>
        {last.good ? (
          <Check aria-hidden="true" className="size-8 shrink-0" />
        ) : (
          <TriangleAlert aria-hidden="true" className="size-8 shrink-0" />
        )}
        {last.good ? t("tool-good", { name }) : t("tool-failed", { name })}
      </h2>
      {last.bias !== null && <p className="mt-1 text-lg">{t("bias-found", { bias: signedMm(last.bias) })}</p>}
      {!last.good && <p className="mt-1 text-xl">{failedCheckAdvice(tool.kind)}</p>}
      <p className="mt-1 text-soft">
        {t("checked-at")} <LocalTime iso={last.at} />
      </p>
      <div className="mt-4 flex flex-wrap gap-2">
        {last.good && shift.left > 0 && (
          <Button ref={first} look="next" size="large" onClick={shift.goOn}>
            {t("next-tool")}
          </Button>
        )}
        <Button
          ref={last.good && shift.left > 0 ? undefined : first}
          look={last.good ? "quiet" : "next"}
          size="large"
          onClick={shift.checkAgain}
        >
          {t("check-again")}
        </Button>
        {!last.good && shift.left > 0 && (
          <Button size="large" onClick={shift.goOn}>
            {t("next-tool")}
          </Button>
        )}
        <Button look="link" onClick={() => void shift.takeBack(last.id)}>
          {t("entered-by-mistake")}
        </Button>
        <AnotherTool tool={tool} shift={shift} />
      </div>
      {!last.good && <NamedWork {...tool} />}
    </div>
  );
}

function NamedWork({ named, closures }: Pick<ToolStanding, "named" | "closures">) {
  if (named.length + closures.length === 0) return <p className="mt-4 text-lg">{t("no-work-since")}</p>;
  return (
    <>
      {named.length > 0 && (
        <NamedList title={t("ends-since", { count: named.length })}>
          {named.map(({ id, label, style, begun }) => (
            <NamedItem key={id} href={`/ledger/${id}`} name={label || style}>
              {style} · <LocalTime iso={begun} />
            </NamedItem>
          ))}
        </NamedList>
      )}
      {closures.length > 0 && (
        <NamedList title={t("closures-since", { count: closures.length })}>
          {closures.map(({ closure, job, name, splices, readings }) => (
            <NamedItem key={closure} href={`/jobs/${job}/closures/${closure}/work`} name={name}>
              {[
                splices.length > 0 &&
                  t("splices-named", { count: splices.length, splices: splices.join(", ") }),
                readings > 0 && t("readings-named", { count: readings }),
              ]
                .filter(Boolean)
                .join(" · ")}
            </NamedItem>
          ))}
        </NamedList>
      )}
    </>
  );
}

function NamedList({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  const id = useId();
  return (
    <section aria-labelledby={id} className="mt-4">
      <h3 id={id} className="font-bold text-lg">
        {title}
      </h3>
      <p className="text-soft">{t("look-at-them-again")}</p>
      <ul className="mt-2 grid grid-cols-[minmax(0,1fr)] gap-1 sm:grid-cols-2">{children}</ul>
    </section>
  );
}

interface NamedItemProps {
  readonly href: string;
  readonly name: string;
  readonly children: ReactNode;
}

const NamedItem = ({ href, name, children }: NamedItemProps) => (
  <li>
    <Link href={href} className="block min-h-12 rounded-lg border border-line bg-raised px-3 py-1.5">
      <span className="block truncate font-semibold">{name}</span>
      <span className="block truncate text-soft text-sm">{children}</span>
    </Link>
  </li>
);
