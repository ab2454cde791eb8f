/** Files in the making. */
package aperta.media.file;
