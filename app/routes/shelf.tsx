import { TriangleAlert } from 'lucide-react'
import { Form, data } from 'react-router'

import type { ReadingUnit } from 'core'
import { MEASURES, MEASURE_RULES, unitsOf } from 'core'

import { OUTAGE_SENTENCE, unlessOutage, withDatabase } from '~/.server/answers.ts'
import { readForm, textOf } from '~/.server/requests.ts'
import { readSettings } from '~/.server/settings.ts'
import { dropRule, keepRule, keepShelf, readRules, readShelf } from '~/.server/shelf.ts'
import { useLastWord } from '~/components/useLastWord.ts'
import { formatPieces, parsePieces, ruleSchema, shelfSchema } from '~/files/shelf.ts'
import { MEASURE_NAMES, UNIT_NAMES, UNIT_WORDS, boundsText } from '~/words/measures.ts'
import { capitalize } from '~/words/names.ts'
import { PageHead } from '~/components/PageHead.tsx'

import type { Route } from './+types/shelf'

export async function loader({ request }: Route.LoaderArgs) {
  const [[shelf, rules], settings] = await Promise.all([
    withDatabase(() => Promise.all([readShelf(), readRules()])),
    readSettings(request),
  ])
  return { shelf, rules, unit: settings.lengthUnit, base: JSON.stringify(shelf) }
}

interface Said {
  readonly isKept: boolean
  readonly sentence: string
  /** What stands meanwhile, where somebody else changed it; keeping again replaces that. */
  readonly base?: string
}

function refuse(sentence: string, status = 400) {
  return data<Said>({ isKept: false, sentence }, { status })
}

const KEPT: Said = { isKept: true, sentence: 'Kept.' }

export async function action({ request }: Route.ActionArgs) {
  const [form, { lengthUnit }] = await Promise.all([readForm(request), readSettings(request)])
  const outcome = await unlessOutage(() => {
    switch (textOf(form, 'intent')) {
      case 'rule':
        return changeRule(form)
      case 'drop-rule':
        return forgetRule(form)
      default:
        return changeShelf(form, lengthUnit)
    }
  })
  return outcome ?? refuse(OUTAGE_SENTENCE, 503)
}

async function changeShelf(form: FormData, unit: ReadingUnit) {
  const leaves = parsePieces(textOf(form, 'leaves'), unit)
  const shims = parsePieces(textOf(form, 'shims'), unit)
  if (!leaves.ok) return refuse(`Leaves: ${leaves.sentence}`)
  if (!shims.ok) return refuse(`Shims: ${shims.sentence}`)
  const shelf = shelfSchema.safeParse({
    initials: textOf(form, 'initials')
      .toUpperCase()
      .split(/[\s,;]+/)
      .filter(Boolean),
    leaves: leaves.pieces,
    shims: shims.pieces,
  })
  if (!shelf.success) return refuse('Initials have one to four letters each, quantities 1 to 99.')
  const standing = await readShelf()
  const base = JSON.stringify(standing)
  if (textOf(form, 'base') !== base)
    return data<Said>(
      {
        isKept: false,
        sentence: `Meanwhile the shelf was changed elsewhere. It holds leaves ${formatPieces(standing.leaves, unit) || 'none'}; shims ${formatPieces(standing.shims, unit) || 'none'}; people ${standing.initials.join(' ') || 'none'}. What you typed is still here: keep again to put it in that place.`,
        base,
      },
      { status: 409 },
    )
  await keepShelf(shelf.data)
  return data<Said>(KEPT)
}

async function changeRule(form: FormData) {
  const [least, most] = [textOf(form, 'least').trim(), textOf(form, 'most').trim()]
  const rule = ruleSchema.safeParse({
    measure: textOf(form, 'measure'),
    limit: {
      source: 'shop',
      unit: textOf(form, 'unit'),
      ...(least !== '' && { least }),
      ...(most !== '' && { most }),
    },
  })
  if (!rule.success) return refuse(rule.error.issues[0]?.message ?? 'This is no limit.')
  await keepRule(rule.data)
  return data<Said>({
    isKept: true,
    sentence: `Kept: ${MEASURE_NAMES[rule.data.measure]}, ${boundsText(rule.data.limit)}.`,
  })
}

async function forgetRule(form: FormData) {
  const measure = MEASURES.find((each) => each === textOf(form, 'measure'))
  if (!measure) return refuse('There is no such measurement. Load the page again.')
  await dropRule(measure)
  return data<Said>({ isKept: true, sentence: `No rule for ${MEASURE_NAMES[measure]} any more.` })
}

/** The shop's own leaves, shims, people and limits. */
export default function ShelfPage({ loaderData, actionData }: Route.ComponentProps) {
  const { shelf, rules, unit, base } = loaderData
  const said = useLastWord(actionData)
  const fields = [
    {
      name: 'leaves',
      label: `Feeler leaves, in ${UNIT_WORDS[unit]}`,
      hint: 'Every leaf of the sets you have, such as 0.05 0.10 0.15. One in another unit says so: 0.05mm, 0.002in.',
      value: formatPieces(shelf.leaves, unit),
    },
    {
      name: 'shims',
      label: `Shims on the shelf, in ${UNIT_WORDS[unit]}`,
      hint: 'With how many there are: 0.10 x4 0.15 x2.',
      value: formatPieces(shelf.shims, unit),
    },
    {
      name: 'initials',
      label: 'People, by their initials',
      hint: 'Offered wherever something is entered.',
      value: shelf.initials.join(' '),
    },
  ] as const
  return (
    <div className="mx-auto max-w-[1180px] px-5 pb-6">
      <PageHead
        title="Shelf"
        about="What the shop has and goes by: leaves, shims, people, limits"
      />
      <main className="grid gap-x-10 gap-y-4 py-4 lg:grid-cols-2">
        {said && (
          <p
            role={said.isKept ? 'status' : 'alert'}
            className={`lg:col-span-2 ${said.isKept ? '' : 'trouble'}`}
          >
            {!said.isKept && <TriangleAlert aria-hidden />} {said.sentence}
          </p>
        )}
        <Form method="post" className="grid content-start gap-4">
          <input type="hidden" name="base" value={said?.base ?? base} />
          {fields.map(({ name, label, hint, value }) => (
            <label key={`${name} ${value}`} className="font-semibold">
              {label}
              <span className="text-graphite block font-normal">{hint}</span>
              <textarea
                name={name}
                className="field mt-1 block w-full text-[1.1rem] font-normal"
                rows={3}
                defaultValue={value}
              />
            </label>
          ))}
          <button className="button button-main justify-self-start">Keep the shelf</button>
        </Form>
        <section aria-label="Rules of the shop">
          <h2 className="text-[1.2rem]">Limits that the shop goes by</h2>
          <p className="text-graphite">
            For every unit. The maker’s figure, entered where a part is measured, comes before them;
            they come before the rules of thumb that ship with Udrix.
          </p>
          {MEASURES.map((measure) => {
            const limit = rules.find((rule) => rule.measure === measure)?.limit
            const units = unitsOf(MEASURE_RULES[measure].judges)
            const usual = units.find((each) => each === unit) ?? units[0]
            return (
              <Form
                key={`${measure} ${JSON.stringify(limit)}`}
                method="post"
                aria-label={`Limit of ${MEASURE_NAMES[measure]}`}
                className="border-rule flex flex-wrap items-end gap-2 border-b py-1.5"
              >
                <input type="hidden" name="measure" value={measure} />
                <span className="min-w-[9rem] flex-1 font-semibold">
                  {capitalize(MEASURE_NAMES[measure])}
                  <span className="text-graphite block font-normal">
                    {limit ? boundsText(limit) : 'no rule'}
                  </span>
                </span>
                {(['least', 'most'] as const).map((end) => (
                  <label key={end} className="text-[0.9rem]">
                    {capitalize(end)}
                    <input
                      name={end}
                      className="field block w-[5rem]"
                      inputMode="decimal"
                      autoComplete="off"
                      defaultValue={limit?.[end] ?? ''}
                    />
                  </label>
                ))}
                <select
                  name="unit"
                  aria-label={`Unit of ${MEASURE_NAMES[measure]}`}
                  className="field w-auto"
                  defaultValue={limit?.unit ?? usual ?? ''}
                >
                  {units.map((each) => (
                    <option key={each} value={each}>
                      {UNIT_NAMES[each]}
                    </option>
                  ))}
                </select>
                <button className="button" name="intent" value="rule">
                  Keep
                </button>
                {limit && (
                  <button className="button-quiet" name="intent" value="drop-rule">
                    Drop
                  </button>
                )}
              </Form>
            )
          })}
        </section>
      </main>
    </div>
  )
}
