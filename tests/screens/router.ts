// Where the screen under test leads, in place of the router: addresses that were gone to, the newest last.
type Address = string | { readonly pathname: string; readonly params: Readonly<Record<string, string>> };

export const went: string[] = [];
const listeners = new Set<() => void>();

const go = (address: Address) => {
  went.push(
    typeof address === 'string'
      ? address
      : Object.entries(address.params).reduce(
          (path, [name, value]) => path.replace(`[${name}]`, value),
          address.pathname,
        ),
  );
  listeners.forEach((tell) => tell());
};
export const router = { push: go, replace: go, navigate: go, back: () => go('back'), canGoBack: () => true };
export const useRouter = () => router;
export const usePathname = () => went.at(-1) ?? '/';

/** Calls back whenever the screen leads somewhere. Returns a function that ends it. */
export function onGo(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}
