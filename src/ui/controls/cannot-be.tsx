import { t } from "@/messages/controls";

/** A change that was refused: why, and that all is as it was. */
export const CannotBe = ({ message }: { readonly message: string | null }) =>
  message === null ? null : (
    <p role="alert" className="mx-4 mt-3 rounded-md border-2 border-out px-3 py-2 sm:mx-6">
      <strong>{t("that-cannot-be-nothing-was-changed")}</strong> {message}
    </p>
  );
