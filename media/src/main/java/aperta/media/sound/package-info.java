/** Sound files: taken apart into samples, read by number, written as WAV. */
package aperta.media.sound;
