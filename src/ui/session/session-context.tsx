"use client";

import { startAuthentication, startRegistration } from "@simplewebauthn/browser";
import { createContext, type ReactNode, useContext, useMemo, useState, useSyncExternalStore } from "react";
import { type CrewAnswer, type Outcome, type Problem, refuse } from "@/core";
import { t } from "@/messages/crew";
import { call } from "../http/http";
import { usePrefs } from "../prefs/prefs-context";

interface SessionApi {
  /** How sure names must be, who can prove theirs and how, and who asks. */
  readonly crew: CrewAnswer;
  /** Takes the crew as the server answered it. */
  readonly learn: (crew: CrewAnswer) => void;
  readonly signIn: (person: string, pin: string) => Promise<Outcome<CrewAnswer>>;
  /** Proves the person signed in again, for one signature. */
  readonly proveAgain: (pin: string) => Promise<Outcome<CrewAnswer>>;
  /** Adds a passkey, signs in by it, or proves a name again by it. */
  readonly askPasskey: (purpose: "add" | "enter" | "again", person: string) => Promise<Outcome<CrewAnswer>>;
  readonly signOut: () => Promise<Outcome<CrewAnswer>>;
}

const Context = createContext<SessionApi | null>(null);

/** The answer of the browser's own question for a passkey; a refusal where the person turned it down. */
async function answerOf(
  purpose: "add" | "enter" | "again",
  options: Readonly<Record<string, unknown>>,
): Promise<Outcome<{ id: string }>> {
  try {
    const response =
      purpose === "add"
        ? await startRegistration({ optionsJSON: options as never })
        : await startAuthentication({ optionsJSON: options as never });
    return { ok: true, value: { ...response } };
  } catch {
    return refuse("not-proven", t("the-passkey-was-not-used"));
  }
}

/** Who has signed in at this device, where the crew asks names to be proven. */
export function SessionProvider({ initial, children }: { initial: CrewAnswer; children: ReactNode }) {
  const [crew, setCrew] = useState(initial);
  const { change } = usePrefs();
  const api = useMemo<SessionApi>(() => {
    const learn = (next: CrewAnswer) => {
      setCrew(next);
      if (next.names === "proven") change({ person: next.you.person });
    };
    const taken = (answer: Outcome<CrewAnswer>): Outcome<CrewAnswer> => {
      if (answer.ok) learn(answer.value);
      return answer;
    };
    return {
      crew,
      learn,
      signIn: async (person, pin) => taken(await call("post /session", { body: { person, pin } })),
      proveAgain: async (pin) => taken(await call("post /session/again", { body: { pin } })),
      askPasskey: async (purpose, person) => {
        const question = await call("post /passkeys/question", { body: { for: purpose, person } });
        if (!question.ok) return question;
        const answer = await answerOf(purpose, question.value.options);
        if (!answer.ok) return answer;
        return taken(
          await call("post /passkeys", { body: { for: purpose, person, response: answer.value } }),
        );
      },
      signOut: async () =>
        taken(await call("post /session/end", { body: { person: crew.you.person ?? "" } })),
    };
  }, [crew, change]);
  return <Context value={api}>{children}</Context>;
}

export function useSession(): SessionApi {
  const api = useContext(Context);
  if (!api) throw new Error("useSession outside SessionProvider");
  return api;
}

/** What is said of an outcome: why it was refused; empty where it was taken. */
export const refusalOf = (outcome: { ok: true } | { ok: false; problem: Problem }): string =>
  outcome.ok ? "" : outcome.problem.message;

const IP_ADDRESS = /^(\[.*\]|[\d.]+)$/;

const neverChanges = () => () => {};
const usesPasskeys = (): boolean =>
  window.isSecureContext && "credentials" in navigator && !IP_ADDRESS.test(window.location.hostname);

/**
 * True where this browser can use passkeys here: over TLS or on this machine itself, under a name and not a bare address.
 * False on the server, which cannot know.
 */
export const usePasskeys = (): boolean => useSyncExternalStore(neverChanges, usesPasskeys, () => false);
