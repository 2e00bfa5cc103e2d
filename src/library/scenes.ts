// The list of scenes that ship with the demo, as the server tells it.
import { useQuery } from '@tanstack/react-query';
import type { SceneListing } from '../core/scene/scene';
import { fetchWhole } from '../workers/fetch-whole';

export function useScenes() {
  return useQuery({
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
  });
}
