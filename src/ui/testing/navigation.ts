/** Stands in for the framework's navigation where screens are tested without a browser. */
import { vi } from 'vitest';

export const router = { push: vi.fn<(href: string) => void>(), refresh: vi.fn<() => void>() };
export const useRouter = () => router;
/** The address alone says which stage is shown. */
export const useSelectedLayoutSegment = (): null => null;
