/** Footage through ffmpeg, which runs as its own process: no shell, files and pipes only, time and memory bounded. */
package aperta.media.ffmpeg;
