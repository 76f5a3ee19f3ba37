import { Link } from "@/ui/controls/link";

export default function NotFound() {
  return (
    <main className="min-w-0 flex-1 px-6 py-10">
      <h1 className="font-bold text-2xl">There is nothing at this address</h1>
      <p className="mt-2 max-w-prose text-lg">
        The end or page it names is not here. Nothing was changed. It may be on another server, or the address
        may be cut short.
      </p>
      <div className="mt-5 flex flex-wrap gap-2">
        <Link href="/" className="flex min-h-12 items-center rounded-lg bg-now px-5 font-bold text-on-now">
          Pick a cable
        </Link>
        <Link
          href="/bench"
          className="flex min-h-12 items-center rounded-lg border-2 border-ink px-5 font-semibold"
        >
          Ends on the bench
        </Link>
      </div>
    </main>
  );
}
