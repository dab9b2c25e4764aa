import type { Link, LinkField } from 'core'
import { alikeKinds, endsOf, fieldsOf, indexBox, linkAs } from 'core'

import { parseWhole, parseWithin } from '~/views/layout/numbers.ts'
import { withPart } from '~/views/layout/withPart.ts'
import { bodyName, capitalize, gearName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { CHOICE_WORDS, LINK_FIELD_WORDS, LINK_WORDS, linkEndWords } from '~/words/vocabulary.ts'

import { EntryField, SelectField } from '~/components/Fields.tsx'
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
        {endsOf(link).map(({ key, id }) => (
          <div key={key} className="contents">
            <dt className="text-graphite">{linkEndWords(link.kind, key)}</dt>
            <dd>{capitalize(nameOf(id))}</dd>
          </div>
        ))}
      </dl>
      <div className="grid grid-cols-2 gap-2">
        {fieldsOf(link).map(({ key, field, value }) =>
          field.type === 'choice' ? (
            <SelectField
              key={key}
              label={LINK_FIELD_WORDS[key].label}
              value={`${value ?? ''}`}
              options={field.values.map((each) => [each, CHOICE_WORDS[each]] as const)}
              onChange={(choice) => put({ ...link, [key]: choice })}
            />
          ) : (
            <EntryField
              key={`${key} ${value ?? ''}`}
              label={LINK_FIELD_WORDS[key].label}
              unit={LINK_FIELD_WORDS[key].unit}
              inputMode={field.type === 'whole' ? 'numeric' : 'decimal'}
              value={value === undefined ? '' : `${value}`}
              onCommit={(text) => {
                const entry = parseField(field, text, LINK_FIELD_WORDS[key].what)
                return entry.ok ? put({ ...link, [key]: entry.value }) : entry.sentence
              }}
            />
          ),
        )}
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

type NumberField = Exclude<LinkField, { readonly type: 'choice' }>

/** What was typed into a field; undefined where it was emptied. */
function parseField(field: NumberField, text: string, what: string) {
  if (text.trim() === '' && field.isRequired !== true)
    return { ok: true, value: undefined } as const
  const parse = field.type === 'whole' ? parseWhole : parseWithin
  return parse(text, field.least, field.most, what)
}
