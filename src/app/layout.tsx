import type { Metadata, Viewport } from "next";
import { cookies, headers } from "next/headers";
import type { ReactNode } from "react";
import { type CrewAnswer, personNamed } from "@/core";
import { t } from "@/messages/app";
import { ENGLISH, LANGUAGE_ELEMENT, language } from "@/messages/language";
import { AT_THE_DOOR } from "@/service/crew/crew";
import { people } from "@/service/crew/people";
import { crewTold } from "@/service/crew/rules";
import { identityOf } from "@/service/crew/session";
import { type Store, storeOrTrouble } from "@/service/the-store";
import { ComeBack } from "@/ui/live/come-back";
import { WaitingSender } from "@/ui/live/waiting-sender";
import { Witness } from "@/ui/live/witness";
import { PageMessages } from "@/ui/messages/page-messages";
import { PeopleProvider } from "@/ui/people/people-context";
import { PREFS_COOKIE, readPrefs } from "@/ui/prefs/prefs";
import { PrefsProvider } from "@/ui/prefs/prefs-context";
import { SessionProvider } from "@/ui/session/session-context";
import { KeyHelp } from "@/ui/shell/key-help";
import { Rail } from "@/ui/shell/rail";
import { Trouble } from "@/ui/shell/trouble";
import { TimersProvider } from "@/ui/timers/timers-context";
import "./globals.css";

export const metadata: Metadata = {
  title: { default: "Arlent", template: "%s · Arlent" },
  description: t("strip-cut-mark-and-slack-lengths"),
};
export const viewport: Viewport = { width: "device-width", initialScale: 1 };

/** Gives the page its language's messages. English needs none: it is part of the scripts. */
function PageLanguage() {
  const spoken = language();
  if (spoken.code === ENGLISH.code) return null;
  return (
    <script id={LANGUAGE_ELEMENT} type="application/json">
      {JSON.stringify(spoken).replaceAll("<", "\\u003c")}
    </script>
  );
}

/** The crew as this device sees it; devices and tokens are for the page that manages them. */
async function crewHere(store: Store): Promise<CrewAnswer> {
  const [saved, sent] = [await cookies(), await headers()];
  const identity = identityOf(store, {
    cookie: (name) => saved.get(name)?.value,
    authorization: sent.get("authorization"),
  });
  return { ...crewTold(store, identity), devices: [], tokens: [] };
}

export default async function Layout({ children }: { children: ReactNode }) {
  const { code } = language();
  const saved = readPrefs((await cookies()).get(PREFS_COOKIE)?.value);
  if ((await headers()).has(AT_THE_DOOR))
    return (
      <html lang={code} data-theme={saved.theme} data-ready>
        <body>
          <PageLanguage />
          {children}
        </body>
      </html>
    );
  const opened = storeOrTrouble();
  if ("trouble" in opened) return <Trouble theme={saved.theme} message={opened.trouble} />;
  const everybody = people(opened.store);
  const crew = await crewHere(opened.store);
  const picked = saved.person ?? personNamed(everybody, saved.name)?.id ?? null;
  const prefs = { ...saved, person: crew.names === "proven" ? crew.you.person : picked };
  return (
    <html lang={code} data-theme={prefs.theme} suppressHydrationWarning>
      <body>
        <PageLanguage />
        <PrefsProvider initial={prefs}>
          <SessionProvider initial={crew}>
            <PeopleProvider initial={everybody}>
              <TimersProvider>
                <a href="#content" className="skip-link">
                  {t("skip-to-the-content")}
                </a>
                <div className="flex min-h-dvh pb-14 sm:pb-0 print:block">
                  <Rail />
                  <div
                    id="content"
                    tabIndex={-1}
                    className="flex min-w-0 flex-1 flex-col outline-none print:block"
                  >
                    {children}
                    <PageMessages />
                  </div>
                </div>
                <WaitingSender />
                <ComeBack />
                <Witness />
                <KeyHelp />
              </TimersProvider>
            </PeopleProvider>
          </SessionProvider>
        </PrefsProvider>
      </body>
    </html>
  );
}
