/** `docs/fields.md`: every field of a box file, from the table that the files are read by. */
import type { Field, FieldType, Fields } from '../core/index.ts'
import { BOX, CHOICES, LARGEST } from '../core/index.ts'
import { rangeWords } from '../app/words/fields.ts'

/** What may stand in a field, in a few words. */
function typeWords(field: FieldType & { readonly word: string }): string {
  const { word } = field
  switch (field.type) {
    case 'number':
    case 'whole':
      return field.unit === 'length' && field.most === LARGEST.lengthMm
        ? `a length in mm${field.isAbove === true ? ', more than 0' : ''}`
        : rangeWords({ ...field, word: 'a number' })
            .replace('A number: ', '')
            .slice(0, -1)
    case 'text':
      return `a text of at most ${field.most} characters${field.isFigure === true ? ', a number' : ''}`
    case 'choice':
      return CHOICES[field.choice].map((value) => `\`${value}\``).join(', ')
    case 'own-id':
      return 'an id of its own'
    case 'id':
      return `the id of ${field.of === 'axis' ? 'an' : 'a'} ${field.of}`
    case 'reference':
      return 'the path of a part'
    case 'flag':
      return '`true` or `false`'
    case 'time':
      return 'a time, as ISO 8601 in UTC'
    case 'places':
      return 'ids of couplers, each with the id of its place'
    case 'pair':
      return `two of: ${typeWords({ ...field.of, word })}`
    case 'list':
      return field.of.type === 'group' || field.of.type === 'kinds'
        ? `at most ${field.most}, see below`
        : `at most ${field.most} of: ${typeWords({ ...field.of, word })}`
    case 'group':
      return 'see below'
    case 'kinds':
      return `one of: ${Object.keys(field.kinds).join(', ')}`
  }
}

function row(name: string, field: Field): string {
  const need = field.isOptional === true ? 'may be left out' : ''
  const nothing = field.isNullable === true ? '; `null` where not known' : ''
  return `| \`${name}\` | ${field.word} | ${typeWords(field)}${nothing} | ${need} |`
}

function table(title: string, fields: Fields): readonly string[] {
  return [
    `## ${title}`,
    '',
    '| field | word | what may stand there | |',
    '| --- | --- | --- | --- |',
    ...Object.entries(fields).map(([name, field]) => row(name, field)),
    '',
    ...Object.entries(fields).flatMap(([name, field]) => within(`${title} › ${name}`, field)),
  ]
}

/** What a field holds that has fields of its own. */
function within(title: string, field: FieldType): readonly string[] {
  const of = field.type === 'list' ? field.of : field
  if (of.type === 'group') return table(title, of.fields)
  if (of.type !== 'kinds') return []
  return Object.entries(of.kinds).flatMap(([kind, fields]) =>
    table(`${title} of kind \`${kind}\``, fields),
  )
}

/** The whole document. */
export function fieldTable(): string {
  return [
    '# The fields of a box file',
    '',
    'Made by `npm run -s schema` from `core/box/fields/things.ts`; [format.md](format.md) says what they mean.',
    '',
    ...table('box', BOX),
  ].join('\n')
}
