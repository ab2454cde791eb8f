package aperta.core.recipe;

import java.util.List;
import java.util.Optional;

/**
 * What is known of a kind of thing: from this come its checks, its controls at the desk, its schema and its page.
 *
 * @param kind the word that names it in a document
 * @param label for people
 * @param summary one sentence that says what it does
 */
public record Descriptor(String kind, String label, String summary, List<Parameter> parameters) {
    public Descriptor {
        parameters = List.copyOf(parameters);
    }

    public Optional<Parameter> parameter(String name) {
        return parameters.stream().filter(p -> p.name().equals(name)).findFirst();
    }

    /** A recipe of this kind with its standard values. */
    public Recipe standard() {
        return Recipe.of(this, java.util.Map.of());
    }
}
