/** Times, beside those of a general-purpose tool that makes the same pixels. */
package aperta.bench;
