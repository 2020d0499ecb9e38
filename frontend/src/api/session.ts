/** What a sign-in gives the page to say with everything that it writes; who acts; and who wants to know that it ended. */
export const session = { token: "", actor: "", ended: () => {} };
