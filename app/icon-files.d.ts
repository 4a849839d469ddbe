/** One icon of the package, in a file of its own. */
declare module '@lucide/vue/dist/esm/icons/*' {
  import type { FunctionalComponent, SVGAttributes } from 'vue'

  const icon: FunctionalComponent<
    Partial<SVGAttributes> & { size?: string | number; strokeWidth?: string | number }
  >
  export default icon
}
