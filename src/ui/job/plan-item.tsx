import { Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import { t } from "@/messages/jobs";
import { IconButton } from "../controls/icon-button";
import { Link } from "../controls/link";

interface PlanItemProps {
  readonly href: string;
  readonly name: string;
  /** What is planned, in a line. */
  readonly children: ReactNode;
  readonly onTakeOff: () => void;
}

/** A closure or feeder of a job's list: opens it, or takes it off the job. */
export const PlanItem = ({ href, name, children, onTakeOff }: PlanItemProps) => (
  <li className="flex items-center gap-3">
    <Link href={href} className="min-h-12 min-w-0 flex-1 py-1 hover:underline">
      <span className="block truncate font-bold text-lg">{name}</span>
      <span className="block truncate text-soft text-sm">{children}</span>
    </Link>
    <IconButton name={t("take-off-the-job", { name })} onClick={onTakeOff} className="no-print">
      <Trash2 aria-hidden="true" className="size-5" />
    </IconButton>
  </li>
);
