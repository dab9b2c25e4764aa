import { NavLink } from 'react-router'

import { useOpenBox } from '~/components/box/boxContext.ts'

const VIEWS = [
  ['turns', 'Check the counts'],
  ['turns/closed', 'Only turns known'],
  ['turns/gear', 'What gear is this'],
] as const

/** The ways to tell counts without trusting one count. */
export function TurnsNav() {
  const { id } = useOpenBox()
  return (
    <nav aria-label="Views of Turns" className="flex flex-wrap">
      {VIEWS.map(([page, title]) => (
        <NavLink
          key={page}
          end
          to={`/boxes/${id}/${page}`}
          className={({ isActive }) => `button-quiet ${isActive ? 'text-ink underline' : ''}`}
        >
          {title}
        </NavLink>
      ))}
    </nav>
  )
}
