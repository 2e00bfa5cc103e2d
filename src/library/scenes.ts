// The list of scenes that ship with the demo, as the server tells it.
import { useQuery } from '@tanstack/react-query';
import type { SceneListing } from '../core/scene/scene';
import { queryClient } from './roll';
import { fetchWhole } from '../workers/fetch-whole';

const SCENES = {
  queryKey: ['scenes'],
  staleTime: Infinity,
  queryFn: async (): Promise<readonly SceneListing[]> => {
    const bytes = await fetchWhole('/scenes/scenes.json', { what: 'The list of scenes' });
    try {
      return JSON.parse(new TextDecoder().decode(bytes)) as SceneListing[];
    } catch {
      throw new Error('The list of scenes arrived damaged');
    }
  },
};

export function useScenes() {
  return useQuery(SCENES);
}

/** @throws Error in words for people when it does not load */
export function sceneListings(): Promise<readonly SceneListing[]> {
  return queryClient.fetchQuery(SCENES);
}
