/** What a sign-in gives the page to say with everything that it writes; and who wants to know that it ended. */
export const session = { token: "", ended: () => {} };
