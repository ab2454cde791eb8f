/** What all of HTTP shares: problems, the front end's files, the description of the API. */
package aperta.server.http;
