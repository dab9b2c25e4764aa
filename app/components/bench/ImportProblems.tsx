import type { FileIssue } from '~/files/boxFile.ts'
import { Warning } from '~/components/Warning.tsx'

interface ImportProblemsProps {
  readonly fileName: string
  readonly issues: readonly FileIssue[]
}

/** Why a file was not imported, each problem at its place in the file. */
export function ImportProblems({ fileName, issues }: ImportProblemsProps) {
  return (
    <div role="alert" className="border-trouble mb-4 border-l-4 pl-3">
      <Warning>Nothing was imported{fileName && ` from ${fileName}`}.</Warning>
      <ul className="list-disc pl-6">
        {issues.map((issue) => (
          <li key={`${issue.path.join('.')}${issue.message}`}>
            {issue.path.length > 0 && <b>{issue.path.join(' › ')}: </b>}
            {issue.message}
          </li>
        ))}
      </ul>
    </div>
  )
}
