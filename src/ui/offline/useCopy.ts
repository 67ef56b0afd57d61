'use client';

import { useSyncExternalStore } from 'react';
import { type Copy, copyNow, onCopy } from './copy';

/** Whether this device has the program for when the server is gone. */
export const useCopy = (): Copy => useSyncExternalStore(onCopy, copyNow, () => 'none');
