// The shell of `/` is what the service worker answers with when there is no network.
export const prerender = true;
