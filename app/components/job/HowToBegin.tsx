import { ClipboardPlus } from 'lucide-react'
import { Form } from 'react-router'

/** What a job is good for, and the way into the first one of a unit. */
const STEPS = [
  'Begin a job when the unit comes to the bench: every visit is one, and what is entered in it stays with it.',
  'Write down what came in: whose it is, the complaint in the owner’s words, oil, what came with it.',
  'Count, measure and build on their pages. The stages on this page fill as you go, and what waits for you is told above them.',
  'Hand it over: the record, the list of parts and the labels are made of what was entered.',
] as const

/** Fills the room of a job that there is none of yet. */
export function HowToBegin({ boxId }: { readonly boxId: string }) {
  return (
    <section aria-label="How to begin" className="no-print max-w-[44rem] text-[1.05rem]">
      <h2 className="mb-2 text-[1.5rem]">Begin with what came in</h2>
      <ol className="flex list-decimal flex-col gap-2 pl-6">
        {STEPS.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <Form method="post" action={`/boxes/${boxId}/job`} className="mt-4">
        <button className="button button-main text-[1.15rem]">
          <ClipboardPlus aria-hidden /> Begin the first job of this unit
        </button>
      </Form>
    </section>
  )
}
