// The list of scenes that ship with the demo, as the server tells it.
import { useQuery } from '@tanstack/react-query';
import type { SceneListing } from '../core/scene/scene';

export function useScenes() {
  return useQuery({
    queryKey: ['scenes'],
    staleTime: Infinity,
    queryFn: async (): Promise<readonly SceneListing[]> => {
      const response = await fetch('/scenes/scenes.json');
      if (!response.ok) throw new Error(`The list of scenes did not load (${response.status})`);
      return (await response.json()) as SceneListing[];
    },
  });
}
