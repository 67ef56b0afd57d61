'use client';

/** Whether the bench says more of a logged gap than it shows: a tone, a shake, a sentence. Each is off until someone turns it on. */
import { persisted } from '../shared/persisted';

export const FEEDBACKS = ['sound', 'shake', 'voice'] as const;
export type Feedback = (typeof FEEDBACKS)[number];

/** Where this browser keeps whether one is on. */
export const feedbackKey = (feedback: Feedback): string => `spatium-${feedback}`;

/** Whether one is on in this browser. */
export const isOn = (feedback: Feedback): boolean => persisted(feedbackKey(feedback)) === 'on';

/** Whether any is. */
export const isAnyOn = (): boolean => FEEDBACKS.some(isOn);
