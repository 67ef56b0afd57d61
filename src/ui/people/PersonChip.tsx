'use client';

import { buttonLook } from '../shared/Button';
import { Popup } from '../shared/Popup';
import { SwitchPerson } from './SwitchPerson';
import { useCurrentUser } from './useCurrentUser';

/** Who is at this device, and who else may be in two touches. */
export function PersonChip() {
  const { person, device } = useCurrentUser();
  return (
    <Popup
      label="Who is at this device"
      trigger={
        <>
          <span className="sr-only">Signed in: </span>
          {person?.initials ?? 'Sign in'}
        </>
      }
      look={`${buttonLook()} figures ml-auto font-bold max-sm:px-2`}
      width="w-72"
    >
      {() => <SwitchPerson person={person} device={device} />}
    </Popup>
  );
}
