import { shallowRef } from 'vue'

/** Ids of photographs that this browser could not keep: they are in this page alone until they are sent. */
export const loosePhotos = shallowRef<ReadonlySet<string>>(new Set())
