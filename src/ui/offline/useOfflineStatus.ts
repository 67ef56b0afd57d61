'use client';

import { useSyncExternalStore } from 'react';
import { type OfflineStatus, offlineStatus, onOfflineStatus } from './offlineStatus';

/** Whether this device has the program for when the server is gone. */
export const useOfflineStatus = (): OfflineStatus => useSyncExternalStore(onOfflineStatus, offlineStatus, () => 'none');
