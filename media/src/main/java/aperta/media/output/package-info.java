/** The kinds of file that a shot can be rendered to, each described in one place. */
package aperta.media.output;
