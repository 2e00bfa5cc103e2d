// Where the screen under test leads, in place of the router: addresses that were gone to, the newest last.
export const went: string[] = [];

const go = (address: string) => void went.push(address);
export const router = { push: go, replace: go, navigate: go, back: () => go('back'), canGoBack: () => true };
export const useRouter = () => router;
export const usePathname = () => went.at(-1) ?? '/';
