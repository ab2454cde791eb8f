package aperta.server.shot;

import java.util.UUID;

/** A shot has a new revision; open windows are told. */
public record ShotChanged(UUID shot, long revision) {}
