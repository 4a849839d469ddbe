import { nextTick } from 'vue'

/** Brings the first field of a form that is marked wrong into sight, with the focus on it. */
export async function showFirstError(form: Element | null | undefined): Promise<void> {
  await nextTick()
  const wrong = form?.querySelector<HTMLElement>('[aria-invalid="true"]')
  const field = wrong?.matches('input, select, textarea, button, [tabindex]')
    ? wrong
    : wrong?.querySelector<HTMLElement>('input, select, textarea, button, [tabindex]')
  field?.focus({ preventScroll: true })
  field?.scrollIntoView({ block: 'center' })
}
