/** Every stage with what works it out, at once: for what judges any build, and does not load piece by piece. */
import { fit } from './journals/stage';
import { working } from './journals/working';

fit(working);
