export function browserForTests(): string | null;
export function browserAsUsed(): string;
