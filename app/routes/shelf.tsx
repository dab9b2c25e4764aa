import { TriangleAlert } from 'lucide-react'
import { data } from 'react-router'

import type { ShopRule } from 'core'
import { MEASURES } from 'core'

import { opensAway } from '~/client/opensAway.ts'
import { OUTAGE_SENTENCE, unlessOutage, withDatabase } from '~/.server/answers.ts'
import { readForm, textOf } from '~/.server/requests.ts'
import { readSettings } from '~/.server/settings.ts'
import type { Keeping } from '~/.server/shelf.ts'
import { keepRule, keepShelf, readRules, readShelf, shelfBase } from '~/.server/shelf.ts'
import { EntryField } from '~/components/Fields.tsx'
import { useLastWord } from '~/components/useLastWord.ts'
import { PieceTable } from '~/components/shelf/PieceTable.tsx'
import { StockTable } from '~/components/shelf/StockTable.tsx'
import { People } from '~/components/shelf/People.tsx'
import { ShopRules } from '~/components/shelf/ShopRules.tsx'
import type { ShelfSaid } from '~/components/shelf/useShelfEdits.ts'
import { useShelfEdits } from '~/components/shelf/useShelfEdits.ts'
import { useLiveData } from '~/client/live.ts'
import { unlessAway } from '~/client/away.ts'
import { parseJson } from '~/files/text.ts'
import type { Shelf } from '~/files/shelf.ts'
import {
  LONGEST_CURRENCY,
  formatPieces,
  parsePieces,
  ruleSchema,
  shelfSchema,
} from '~/files/shelf.ts'
import type { LengthUnit } from '~/words/format.ts'
import { MEASURE_NAMES, boundsText } from '~/words/measures.ts'
import { PageHead } from '~/components/PageHead.tsx'

import type { Route } from './+types/shelf'

export async function loader({ request }: Route.LoaderArgs) {
  const { lengthUnit: unit } = await readSettings(request)
  const [shelf, rules] = await withDatabase(() => Promise.all([readShelf(unit), readRules()]))
  return { shelf, rules, unit, base: shelfBase(shelf) }
}

export const clientLoader = opensAway<Awaited<ReturnType<typeof loader>>>()

/** What cannot be sent stays on the page with a sentence, as what is refused does. */
export function clientAction({ serverAction }: Route.ClientActionArgs) {
  return unlessAway(serverAction, {
    isKept: false,
    sentence:
      'Udrix does not answer, so this may not have been kept. What you entered is still here.',
  } satisfies ShelfSaid)
}

function refuse(sentence: string, status = 400) {
  return data<ShelfSaid>({ isKept: false, sentence }, { status })
}

const KEPT: ShelfSaid = { isKept: true, sentence: 'Kept.' }

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

async function changeShelf(form: FormData, unit: LengthUnit) {
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
    stock: readStock(textOf(form, 'stock')),
    currency: textOf(form, 'currency'),
  })
  if (!shelf.success)
    return refuse(
      'Initials have one to four letters each, the currency has four at most, quantities are 1 to 99 of leaves and shims and 1 to 999 of parts.',
    )
  const outcome = await keepShelf(shelf.data, unit, textOf(form, 'base'))
  if (outcome.kind === 'kept') return data<ShelfSaid>(KEPT)
  const { standing } = outcome
  return data<ShelfSaid>(
    {
      isKept: false,
      sentence: `Meanwhile the shelf was changed elsewhere. It holds leaves ${formatPieces(standing.leaves, unit) || 'none'}; shims ${formatPieces(standing.shims, unit) || 'none'}; parts ${standing.stock.map(({ partNumber, quantity }) => `${quantity} × ${partNumber}`).join(', ') || 'none'}; people ${standing.initials.join(' ') || 'none'}; currency ${standing.currency || 'none'}. What you have here is not lost: “Keep it again” puts it in that place.`,
      base: shelfBase(standing),
    },
    { status: 409 },
  )
}

/** The stock as the page sends it; what is no list is refused with the rest. */
function readStock(text: string): unknown {
  const json = parseJson(text === '' ? '[]' : text)
  return json.ok ? json.content : null
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
  const { measure, limit } = rule.data
  return saidOfRule(
    measure,
    await keepRule(measure, limit, textOf(form, 'base')),
    `Kept: ${MEASURE_NAMES[measure]}, ${boundsText(limit)}.`,
    `What you entered, ${boundsText(limit)}, was not kept`,
  )
}

async function forgetRule(form: FormData) {
  const measure = MEASURES.find((each) => each === textOf(form, 'measure'))
  if (!measure) return refuse('There is no such measurement. Load the page again.')
  return saidOfRule(
    measure,
    await keepRule(measure, undefined, textOf(form, 'base')),
    `No rule for ${MEASURE_NAMES[measure]} any more.`,
    'It was not dropped',
  )
}

/** What is said of a rule that was kept, or that somebody else has changed meanwhile. */
function saidOfRule(
  measure: ShopRule['measure'],
  outcome: Keeping<ShopRule | undefined>,
  kept: string,
  notKept: string,
) {
  if (outcome.kind === 'kept') return data<ShelfSaid>({ isKept: true, sentence: kept })
  const { standing } = outcome
  return refuse(
    `Meanwhile the shop’s limit of ${MEASURE_NAMES[measure]} was changed elsewhere: ${standing ? boundsText(standing.limit) : 'there is no rule'} now. ${notKept}. Do it again if it is to stand.`,
    409,
  )
}

interface StockAndPeopleProps {
  readonly shelf: Shelf
  readonly unit: LengthUnit
  readonly put: (change: Partial<Shelf>) => void
}

/** Shims and parts that lie ready, and who works here. */
function StockAndPeople({ shelf, unit, put }: StockAndPeopleProps) {
  return (
    <div className="grid content-start gap-6">
      <PieceTable
        title="Shims on the shelf"
        one="shim"
        hint="With how many there are: 0.10 x4 0.15 x2."
        pieces={shelf.shims}
        unit={unit}
        onChange={(shims) => {
          put({ shims })
        }}
      />
      <StockTable
        stock={shelf.stock}
        onChange={(stock) => {
          put({ stock })
        }}
      />
      <section aria-label="Money">
        <h2 className="mb-1.5 text-[1.2rem]">Money</h2>
        <EntryField
          key={shelf.currency}
          label="Currency of all prices"
          placeholder="EUR, £, kr"
          longest={LONGEST_CURRENCY}
          value={shelf.currency}
          onCommit={(currency) => {
            put({ currency: currency.trim() })
            return null
          }}
        />
      </section>
      <People
        initials={shelf.initials}
        onChange={(initials) => {
          put({ initials })
        }}
      />
    </div>
  )
}

/** The shop's own leaves, shims, people and limits. */
export default function ShelfPage({ loaderData, actionData }: Route.ComponentProps) {
  const { shelf: kept, rules, unit, base } = loaderData
  const ruled = useLastWord(actionData)
  const { shelf, said, isKeeping, put, again } = useShelfEdits(kept, base, unit)
  useLiveData(null)
  return (
    <div className="mx-auto max-w-[1280px] px-5 pb-6">
      <PageHead
        title="Shelf"
        about="What the shop has and goes by: leaves, shims, people, limits"
      />
      <main className="grid gap-x-8 gap-y-4 py-4 md:grid-cols-2 xl:grid-cols-[1fr_1fr_2fr]">
        <div className="min-h-[1.6rem] md:col-span-2 xl:col-span-3">
          {isKeeping && <p role="status">Keeping…</p>}
          <Said outcome={said} />
          <Said outcome={ruled} />
          {said && !said.isKept && (
            <button type="button" className="button mt-1" onClick={again}>
              Keep it again
            </button>
          )}
        </div>
        <PieceTable
          title="Feeler leaves"
          one="leaf"
          hint={`Every leaf of the sets you have, such as 0.05 0.10 0.15. One in another unit says so: 0.05mm, 0.002in.`}
          pieces={shelf.leaves}
          unit={unit}
          onChange={(leaves) => {
            put({ leaves })
          }}
        />
        <StockAndPeople shelf={shelf} unit={unit} put={put} />
        <ShopRules rules={rules} unit={unit} />
      </main>
    </div>
  )
}

/** What came of keeping something. */
function Said({ outcome }: { readonly outcome: ShelfSaid | undefined }) {
  if (!outcome) return null
  const { isKept, sentence } = outcome
  return (
    <p role={isKept ? 'status' : 'alert'} className={isKept ? '' : 'trouble'}>
      {!isKept && <TriangleAlert aria-hidden />} {sentence}
    </p>
  )
}
