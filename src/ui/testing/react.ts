/** React as it is shipped, for half the work of the one for development: what is changed is drawn at once, which `act` does there. */
import React from 'react';
import { flushSync } from 'react-dom';

Object.assign(React, { act: flushSync });
