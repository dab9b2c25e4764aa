import { countsFor, indexBox } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { CautionsGate } from '~/components/count/CautionsGate.tsx'
import { CountPanel } from '~/components/count/CountPanel.tsx'
import { CountsFile } from '~/components/count/CountsFile.tsx'
import { FirstChoice } from '~/components/count/FirstChoice.tsx'
import { GearList } from '~/components/count/GearList.tsx'
import { RatioStrip } from '~/components/count/RatioStrip.tsx'
import { useCounting } from '~/components/count/useCounting.ts'
import { Legend } from '~/components/section/Legend.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { formatFirst } from '~/views/count/countFirst.ts'
import { editOfCount } from '~/views/count/reading.ts'

export default function Count() {
  const { draft, words, edit } = useOpenBox()
  const counting = useCounting()
  const { gear, order, reading, first, preview, positions, issues, traceHref, go } = counting
  if (!gear)
    return (
      <main className="p-6">
        <title>{`${draft.name} · Count · Udrix`}</title>
        <p className="text-lg">This box has no gears to count.</p>
      </main>
    )
  return (
    <main className="work-area lg:grid-cols-[minmax(0,1fr)_20rem] xl:grid-cols-[minmax(0,1fr)_25rem]">
      <title>{`${draft.name} · Count · Udrix`}</title>
      <CautionsGate />
      <section
        aria-label="Section along the shafts"
        className="flex min-h-0 flex-col gap-1 px-4 pt-2 pb-3"
      >
        <div className="min-h-0 flex-1">
          <SectionDrawing
            draft={preview}
            words={words}
            litGear={gear.id}
            title={`Section along the shafts of ${draft.name}; the gear to count is lit`}
            gearHref={(id) => `?gear=${id}&pass=${reading}`}
            onChooseGear={(id) => {
              go({ gear: id })
            }}
          />
        </div>
        <Legend hasRibbon={false} />
        <RatioStrip
          positions={positions}
          naming={{ box: indexBox(preview), words }}
          traceHref={traceHref}
          first={first}
          onFirst={counting.putFirst}
        />
      </section>
      <aside className="border-rule bg-sheet flex min-h-0 flex-col gap-3 overflow-auto border-l-2 p-4">
        <CountPanel
          key={`${gear.id} ${reading} ${formatFirst(first)}`}
          gear={gear}
          place={order.indexOf(gear) + 1}
          first={first}
          reading={reading}
          onType={(text) => {
            counting.type({ gear: gear.id, text })
          }}
          onKeep={(toothCount) => {
            edit(editOfCount(gear, reading, toothCount))
          }}
          onSettle={(toothCount) => {
            edit({
              kind: 'settle',
              gear: gear.id,
              toothCount,
              base: { first: gear.toothCount, second: gear.recount ?? null },
            })
          }}
          onNext={() => {
            counting.goOn(gear.id)
          }}
          onPass={(pass) => {
            go({ pass, gear: gear.id })
          }}
        />
        <IssueList draft={preview} issues={issues} words={words} />
        {reading === 'first' && positions.some((each) => countsFor(draft, each).length > 0) && (
          <FirstChoice first={first} positions={positions} onFirst={counting.putFirst} />
        )}
        <GearList
          order={order}
          selected={gear.id}
          reading={reading}
          onChoose={(id) => {
            go({ gear: id })
          }}
        />
        <CountsFile />
      </aside>
    </main>
  )
}
