import { language } from "@/messages/language";
import { t } from "@/messages/shell";

/** In place of every page while the record cannot be opened: what is so, and what to do. */
export function Trouble({ theme, message }: { theme: string; message: string }) {
  return (
    <html lang={language().code} data-theme={theme} data-ready>
      <body>
        <main className="px-6 py-10">
          <h1 className="font-bold text-2xl">{t("the-record-cannot-be-opened")}</h1>
          <p className="mt-2 max-w-prose text-lg">{message}</p>
          <p className="mt-2 max-w-prose text-lg">{t("what-was-entered-on-this-device")}</p>
          <form className="mt-5">
            <button type="submit" className="min-h-12 rounded-lg bg-now px-5 font-bold text-on-now">
              {t("try-again")}
            </button>
          </form>
        </main>
      </body>
    </html>
  );
}
