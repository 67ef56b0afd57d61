'use client';

import type { MeAnswer } from '@/files/answers';
import { buttonLook } from '../shared/Button';
import { Popup } from '../shared/Popup';
import { SwitchPerson } from './SwitchPerson';

/** Who is at this device, and who else may be in two touches. */
export const PersonChip = ({ me: { person, device } }: { me: MeAnswer }) => (
  <Popup
    label="Who is at this device"
    trigger={
      <>
        <span className="sr-only">Signed in: </span>
        {person?.initials ?? 'Sign in'}
      </>
    }
    look={`${buttonLook()} figures font-bold`}
    width="w-72"
  >
    {() => <SwitchPerson person={person} device={device} />}
  </Popup>
);
