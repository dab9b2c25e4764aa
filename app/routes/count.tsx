import type { Gear } from 'core'
import { countsFor, indexBox } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { CautionsGate } from '~/components/count/CautionsGate.tsx'
import { CountPanel } from '~/components/count/CountPanel.tsx'
import { CountsFile } from '~/components/count/CountsFile.tsx'
import { FirstChoice } from '~/components/count/FirstChoice.tsx'
import { GearList } from '~/components/count/GearList.tsx'
import { PastedCounts } from '~/components/count/PastedCounts.tsx'
import { RatioStrip } from '~/components/count/RatioStrip.tsx'
import type { Counting } from '~/components/count/useCounting.ts'
import { useCounting } from '~/components/count/useCounting.ts'
import { Legend } from '~/components/section/Legend.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { NothingToShow, WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import { formatFirst } from '~/views/count/countFirst.ts'
import { editOfCount } from '~/views/count/reading.ts'

/** The gear to count, and what is kept of it. */
function GearInHand({ gear, counting }: { readonly gear: Gear; readonly counting: Counting }) {
  const { edit } = useOpenBox()
  const { order, reading, first, go } = counting
  return (
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
  )
}

export default function Count() {
  const { draft, words } = useOpenBox()
  const counting = useCounting()
  const { gear, order, reading, first, preview, positions, issues, traceHref, go } = counting
  if (!gear)
    return (
      <NothingToShow title={`${draft.name} · Count`}>
        <p>This box has no gears to count.</p>
      </NothingToShow>
    )
  return (
    <WorkArea title={`${draft.name} · Count`} panel="slim">
      <CautionsGate />
      <WorkMain label="Section along the shafts">
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
      </WorkMain>
      <WorkPanel>
        <PastedCounts
          gearsFrom={() => order.slice(order.indexOf(gear))}
          into={reading === 'second' ? 'recount' : 'toothCount'}
          className="flex flex-col gap-3"
        >
          <GearInHand gear={gear} counting={counting} />
        </PastedCounts>
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
      </WorkPanel>
    </WorkArea>
  )
}
