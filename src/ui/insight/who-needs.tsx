import { t } from "@/messages/insight";
import { Link } from "../controls/link";

interface WhoNeedsProps {
  readonly people: readonly {
    readonly id: string | null;
    readonly name: string;
    readonly good: number;
    readonly tried: number;
    readonly beside: "worse" | "better" | "alike";
  }[];
}

/** People with more failed first attempts than the others by more than the intervals allow; nobody is ranked. */
export function WhoNeeds({ people }: WhoNeedsProps) {
  const worse = people.filter(({ beside }) => beside === "worse");
  return (
    <>
      {worse.length === 0 ? (
        <p className="mt-1 text-xl">{t("nobody-stands-out")}</p>
      ) : (
        <ul>
          {worse.map(({ id, name, good, tried }) => (
            <li key={name} className="mt-1 text-xl">
              {t("person-worse", { name, good, tried })}{" "}
              {id && (
                <Link href={`/ledger/aim?person=${id}`} className="text-base underline">
                  {t("see-aim", { name })}
                </Link>
              )}
            </li>
          ))}
        </ul>
      )}
      <Link href="/ledger/yield?by=person" className="mt-1 inline-flex min-h-11 items-center underline">
        {t("see-yield")}
      </Link>
    </>
  );
}
