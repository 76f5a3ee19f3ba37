"use client";

import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from "react";
import { v4 as uuid } from "uuid";
import { type Outcome, type Person, personBy, personNamed } from "@/core";
import { call } from "../http/http";
import { usePrefs } from "../prefs/prefs-context";
import { useSession } from "../session/session-context";

interface PeopleApi {
  readonly people: readonly Person[];
  /** Who is working at this device; null while nobody said. */
  readonly who: Person | null;
  readonly pick: (id: string | null) => void;
  /** Adds somebody, or finds with that name, and picks them. */
  readonly come: (name: string) => Promise<Outcome<Person | null>>;
  /** Says something of a person at an address of theirs. */
  readonly say: (person: string, said: PersonSaid) => Promise<Outcome<readonly Person[]>>;
}

/** What can be said of a person: another name, or that they are somebody else who is here. */
export type PersonSaid = { readonly name: string } | { readonly into: string };

const Context = createContext<PeopleApi | null>(null);

/** Everybody who works here, and which of them this device is in the hands of. */
export function PeopleProvider({ initial, children }: { initial: readonly Person[]; children: ReactNode }) {
  const { prefs, change } = usePrefs();
  const [people, setPeople] = useState(initial);
  const who = prefs.person === null ? null : (personBy(people, prefs.person) ?? null);
  const by = who?.id ?? null;
  const proven = useSession().crew.names === "proven";
  const pick = useCallback((id: string | null) => change({ person: id }), [change]);
  const come = useCallback(
    async (name: string): Promise<Outcome<Person | null>> => {
      const person = personNamed(people, name.trim());
      if (person) {
        if (!proven) pick(person.id);
        return { ok: true, value: person };
      }
      const id = uuid();
      const answer = await call("post /people", { body: { id, name, by } });
      if (!answer.ok) return answer;
      setPeople(answer.value.people);
      if (!proven) pick(id);
      return { ok: true, value: personBy(answer.value.people, id) ?? null };
    },
    [people, by, pick, proven],
  );
  const say = useCallback(
    async (id: string, said: PersonSaid): Promise<Outcome<readonly Person[]>> => {
      const answer =
        "name" in said
          ? await call("post /people/{id}/name", { params: { id }, body: { ...said, by } })
          : await call("post /people/{id}/merge", { params: { id }, body: { ...said, by } });
      if (!answer.ok) return answer;
      setPeople(answer.value.people);
      return { ok: true, value: answer.value.people };
    },
    [by],
  );
  const api = useMemo(() => ({ people, who, pick, come, say }), [people, who, pick, come, say]);
  return <Context value={api}>{children}</Context>;
}

export function usePeople(): PeopleApi {
  const api = useContext(Context);
  if (!api) throw new Error("usePeople outside PeopleProvider");
  return api;
}
