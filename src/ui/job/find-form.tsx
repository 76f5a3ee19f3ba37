import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { Field } from "../controls/field";

/** Looks for words in names: the page is asked for again with them. */
export const FindForm = ({ action, title, words }: { action: string; title: string; words: string }) => (
  <search className="no-print mt-3 block">
    <form action={action} className="flex max-w-xl items-end gap-2">
      <Field
        title={title}
        name={t("words")}
        defaultValue={words}
        maxLength={200}
        className="min-w-0 flex-1"
      />
      <Button type="submit">{t("find")}</Button>
    </form>
  </search>
);
