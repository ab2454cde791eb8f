/** The command line: a shot rendered without database or browser. */
package aperta.media.cli;
