/** How shots and edits are written as JSON: one description gives reading, writing and the JSON Schema. */
package aperta.media.json;
