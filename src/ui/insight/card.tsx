interface CardProps {
  readonly question: string;
  /** Subject of the question. */
  readonly about?: React.ReactNode;
  readonly children: React.ReactNode;
}

/** One question with its answer. */
export const Card = ({ question, about, children }: CardProps) => (
  <section aria-label={question} className="break-inside-avoid px-4 py-4 sm:px-6">
    <div className="flex flex-wrap items-baseline gap-x-3">
      <h2 className="mr-auto font-semibold text-soft">{question}</h2>
      {about !== undefined && <span className="min-w-0 text-soft text-sm">{about}</span>}
    </div>
    {children}
  </section>
);

interface AnswerProps {
  readonly answer: string;
  readonly more?: string;
}

/** An answer in a word, and the sentence to it. */
export const Answer = ({ answer, more = "" }: AnswerProps) => (
  <p className="mt-1 leading-tight">
    <strong className="text-3xl">{answer}</strong> {more !== "" && <span className="text-xl">{more}</span>}
  </p>
);
