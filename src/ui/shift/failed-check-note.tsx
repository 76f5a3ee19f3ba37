import { TriangleAlert } from "lucide-react";
import type { ReactNode } from "react";
import { t } from "@/messages/shift";
import { Link } from "../controls/link";

interface FailedCheckNoteProps {
  readonly children: ReactNode;
  readonly className?: string;
}

/** Notice of work done with a tool whose check failed, with the way to the tools. */
export const FailedCheckNote = ({ children, className = "" }: FailedCheckNoteProps) => (
  <div
    role="status"
    className={`mb-3 flex flex-wrap items-center gap-x-3 rounded-lg border-2 border-unsure p-3 ${className}`}
  >
    <TriangleAlert aria-hidden="true" className="size-6 shrink-0 text-unsure" />
    <div className="min-w-0 flex-1">{children}</div>
    <Link href="/bench/tools" className="no-print min-h-11 content-center underline">
      {t("see-the-tools")}
    </Link>
  </div>
);
