import { indexBox } from 'core'

import type { Route } from './+types/labels'
import { opensAway } from '~/client/opensAway.ts'
import { codeOf } from '~/.server/codes.ts'
import { chosenJob } from '~/.server/jobDownloads.ts'
import { PrintButton } from '~/components/PrintButton.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { SelectField } from '~/components/Fields.tsx'
import { useAddress } from '~/components/useAddress.ts'
import type { Labelled } from '~/views/labels/labels.ts'
import { LABELLED, labelsOf, readLabelled } from '~/views/labels/labels.ts'
import { FAMILY_NAMES } from '~/words/jobs.ts'
import { inWords } from '~/words/vocabulary.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { readAddress } from '~/views/addresses.ts'

export async function loader({ params, request }: Route.LoaderArgs) {
  const { box, words, job } = await chosenJob(params.boxId, request)
  const { origin } = new URL(request.url)
  const labelled = readLabelled(readAddress('labels', request).of)
  const labels = labelsOf({ box: indexBox(box.draft), words }, box.id, job, labelled)
  return {
    origin,
    labels: labels.map((label) => ({ ...label, code: codeOf(`${origin}${label.path}`) })),
  }
}

export const clientLoader = opensAway<Awaited<ReturnType<typeof loader>>>()

function choiceWords(words: Vocabulary, labelled: Labelled): string {
  switch (labelled) {
    case 'none':
      return 'no parts'
    case 'replace':
      return 'parts to be replaced'
    case 'trays':
      return 'parts that lie in trays'
    case 'all':
      return 'all parts'
    default:
      return inWords(words, FAMILY_NAMES[labelled]).toLowerCase()
  }
}

/** Labels to print and stick on the unit, its trays and its parts; their codes open the page in question. */
export default function Labels({ loaderData: { origin, labels } }: Route.ComponentProps) {
  const { draft, words } = useOpenBox()
  const [search, change] = useAddress('labels')
  return (
    <main className="flex-1 px-4 py-3 lg:min-h-0 lg:overflow-auto" tabIndex={0}>
      <title>{`${draft.name} · Labels · Udrix`}</title>
      <div className="mx-auto max-w-[64rem]">
        <div className="no-print mb-3 flex flex-wrap items-end gap-3">
          <SelectField
            label="Besides the unit and its trays"
            value={readLabelled(search.of)}
            options={LABELLED.map((each) => [each, choiceWords(words, each)])}
            onChange={(of) => {
              change({ of: of === 'none' ? '' : of })
            }}
          />
          <PrintButton />
          <p className="text-graphite max-w-[34rem]">
            Each code opens its page at {origin}: print from the address that the tablets of the
            shop use. A part gets its tray on Measure.
          </p>
        </div>
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(17rem,1fr))] gap-2 print:grid-cols-3 print:gap-1">
          {labels.map(({ title, detail, path, code }) => (
            <li
              key={path}
              className="border-ink flex break-inside-avoid items-center gap-2 border bg-white p-2 text-black"
            >
              <svg
                viewBox={`-2 -2 ${code.size + 4} ${code.size + 4}`}
                className="size-[6.2rem] flex-none"
                role="img"
                aria-label={`Code that opens ${title}`}
              >
                <path d={code.path} fill="black" shapeRendering="crispEdges" />
              </svg>
              <div className="min-w-0">
                <p className="leading-tight font-bold break-words">{title}</p>
                <p className="text-[0.86rem] leading-tight break-words">{detail}</p>
              </div>
            </li>
          ))}
        </ul>
      </div>
    </main>
  )
}
