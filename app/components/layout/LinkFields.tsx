import type { FieldsOf, Link } from 'core'
import { alikeKinds, definitionOf, endsOf, indexBox, linkAs } from 'core'

import { withPart } from '~/views/layout/withPart.ts'
import { bodyName, capitalize, gearName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { LINK_WORDS } from '~/words/vocabulary.ts'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { SelectField } from '~/components/Fields.tsx'
import type { Drafting } from './useDrafting.ts'
import { WormModule } from './WormModule.tsx'

interface LinkFieldsProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly link: Link
}

/** What a link joins, what else it could be between the same parts, and its figures. */
export function LinkFields({ drafting: { draft, become }, words, link }: LinkFieldsProps) {
  const naming = { box: indexBox(draft), words }
  const kinds = alikeKinds(link.kind)
  const { fields } = definitionOf(link)
  const put = (next: Link): null => {
    become(withPart(draft, 'links', next))
    return null
  }
  const wheel = link.kind === 'worm' ? naming.box.gears.get(link.wheel) : undefined
  const nameOf = (id: string): string => {
    const gear = naming.box.gears.get(id)
    return gear ? gearName(naming, gear) : bodyName(naming, id)
  }
  return (
    <>
      {kinds.length > 1 ? (
        <SelectField
          label="Kind"
          value={link.kind}
          options={kinds.map((kind) => [kind, LINK_WORDS[kind]] as const)}
          onChange={(kind) => put(linkAs(link, kind))}
        />
      ) : (
        <p className="text-graphite">{capitalize(LINK_WORDS[link.kind])}.</p>
      )}
      <dl className="grid grid-cols-[auto_1fr] gap-x-3">
        {endsOf(link).map(({ key, word, id }) => (
          <div key={key} className="contents">
            <dt className="text-graphite">{capitalize(word)}</dt>
            <dd>{capitalize(nameOf(id))}</dd>
          </div>
        ))}
      </dl>
      <div className="grid grid-cols-2 gap-2">
        <FieldEntries
          naming={naming}
          // The fields are those of its kind.
          fields={fields as unknown as FieldsOf<Link>}
          of={link}
          names={Object.keys(fields) as (keyof Link)[]}
          onChange={(change) => put({ ...link, ...change } as Link)}
        />
        {link.kind === 'worm' && wheel && (
          <WormModule
            worm={link}
            wheel={wheel}
            onChange={(next) => {
              become(withPart(draft, 'gears', next))
              return null
            }}
          />
        )}
      </div>
    </>
  )
}
