/** Where this server is reached on the network, for the page that shows it. */
export interface ServerAddresses {
  urls: string[];
  /** Of its certificate, to compare with what a browser shows; null without https. */
  fingerprint: string | null;
  /** The certificate where it is the shop's own, to be put on tablets. */
  certificate: string | null;
}

const held = globalThis as { spatiumReached?: ServerAddresses };

/** Notes it, once it is known. */
export const setServerAddresses = (where: ServerAddresses): void => {
  held.spatiumReached = where;
};

export const serverAddresses = (): ServerAddresses =>
  held.spatiumReached ?? { urls: [], fingerprint: null, certificate: null };
