import { t } from "@/messages/home";
import type { Search } from "./find-ends";

/**
 * What each word of the question was read as, in a line under the field: words that were read alike stand together.
 */
export function ReadWords({ question, reads }: { question: string; reads: Search["reads"] }) {
  const groups = reads.reduce<{ words: string[]; label: string }[]>((all, { word, label: message }) => {
    const last = all.at(-1);
    if (last && last.label === message) last.words.push(word);
    else all.push({ words: [word], label: message });
    return all;
  }, []);
  if (groups.length === 0) return null;
  return (
    <dl aria-label={t("was-read-as", { question })} className="mt-1.5 flex flex-wrap gap-x-6 gap-y-1 text-sm">
      {groups.map(({ words, label: message }) => (
        <div key={words.join(" ")} className="grid justify-items-center">
          <dt className="figures w-full border-ink border-x-2 border-b-2 px-2 text-center font-bold leading-tight">
            {words.join(" ")}
          </dt>
          <dd className="text-soft">{message}</dd>
        </div>
      ))}
    </dl>
  );
}
