import { Outlet } from 'react-router'

import type { Route } from './+types/boxPage'
import { RouteTrouble } from '~/components/RouteTrouble.tsx'

/** A page of a box. Where it cannot be shown, the head stays and leads to the others. */
export default function BoxPage() {
  return <Outlet />
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <RouteTrouble error={error} />
}
