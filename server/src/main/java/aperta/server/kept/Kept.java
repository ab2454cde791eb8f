package aperta.server.kept;

import java.util.UUID;

/** Something that people keep by name. */
public record Kept<T>(UUID id, String name, T what) {}
