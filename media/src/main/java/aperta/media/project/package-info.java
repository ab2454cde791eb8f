/** Shots and projects as files of their own. */
package aperta.media.project;
