import type { Metadata, Viewport } from "next";
import { cookies, headers } from "next/headers";
import type { ReactNode } from "react";
import { personNamed } from "@/core";
import { t } from "@/messages/app";
import { ENGLISH, LANGUAGE_ELEMENT, language } from "@/messages/language";
import { AT_THE_DOOR } from "@/service/crew/crew";
import { people } from "@/service/crew/people";
import { storeOrTrouble } from "@/service/the-store";
import { ComeBack } from "@/ui/live/come-back";
import { WaitingSender } from "@/ui/live/waiting-sender";
import { PageMessages } from "@/ui/messages/page-messages";
import { PeopleProvider } from "@/ui/people/people-context";
import { PREFS_COOKIE, readPrefs } from "@/ui/prefs/prefs";
import { PrefsProvider } from "@/ui/prefs/prefs-context";
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
  const prefs = { ...saved, person: saved.person ?? personNamed(everybody, saved.name)?.id ?? null };
  return (
    <html lang={code} data-theme={prefs.theme} suppressHydrationWarning>
      <body>
        <PageLanguage />
        <PrefsProvider initial={prefs}>
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
              <KeyHelp />
            </TimersProvider>
          </PeopleProvider>
        </PrefsProvider>
      </body>
    </html>
  );
}
