// The page is drawn in the browser from what is stored there; the server only hands out the shell.
export const ssr = false;
export const prerender = false;
