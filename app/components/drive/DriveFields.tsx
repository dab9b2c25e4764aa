import type { ChangeAddress } from '~/views/addresses.ts'
import { CAR_FIELDS, ENGINE_FIELDS, RULE_FIELDS, TIME_FIELDS } from '~/views/drive/driveFields.ts'
import type { TorqueUnit } from '~/words/format.ts'

import { FigureFields } from './FigureFields.tsx'
import type { DriveFiguresOfPage } from './useDriveTask.ts'

interface DriveFieldsProps {
  readonly figures: DriveFiguresOfPage
  readonly torqueUnit: TorqueUnit
  readonly change: ChangeAddress<'drive'>
}

/** All figures that a drive goes by, kind by kind. */
export function DriveFields({ figures, ...common }: DriveFieldsProps) {
  return (
    <>
      <FigureFields
        {...common}
        title="Rules of changing"
        fields={RULE_FIELDS}
        figures={figures.rules}
      />
      <FigureFields
        {...common}
        title="How long hands and feet take"
        fields={TIME_FIELDS}
        figures={figures.times}
      />
      <FigureFields
        {...common}
        title="Engine"
        fields={ENGINE_FIELDS}
        figures={figures.car.engine}
      />
      <FigureFields
        {...common}
        title="Car, clutch and rings"
        fields={CAR_FIELDS}
        figures={figures.car}
      />
    </>
  )
}
