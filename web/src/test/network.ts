/** What answers the calls of a test; the client takes hold of fetch before any test begins. */
export const network = {
  answer: (request: Request): Promise<Response> =>
    Promise.reject(new Error(`nobody answers ${request.url}`)),
};
