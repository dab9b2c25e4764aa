export default async function tearDown() {
  // Left there by the setup, which runs in the same process.
  const { stopTestCluster } = /** @type {{ stopTestCluster?: () => Promise<void> }} */ (globalThis)
  await stopTestCluster?.()
}
