import { ref } from 'vue';

/** The surface that is looked at, kept while one goes from view to view. */
export const chosenSurfaceId = ref<string | null>(null);
