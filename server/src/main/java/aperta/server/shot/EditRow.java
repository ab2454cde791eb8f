package aperta.server.shot;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** One acknowledged change of a shot, with what takes it back. */
@Entity
@Table(name = "edit")
class EditRow {
    enum Kind {
        EDIT,
        UNDO,
        REDO
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    UUID shotId;
    long revision;

    @Enumerated(EnumType.STRING)
    Kind kind;

    String label;

    @Column(columnDefinition = "text")
    String patch;

    @Column(columnDefinition = "text")
    String inverse;

    Long below;
    Long above;
    Instant madeAt;

    protected EditRow() {}

    EditRow(ShotRow shot, Kind kind, String label, String patch, String inverse) {
        this.shotId = shot.id;
        this.revision = shot.revision;
        this.kind = kind;
        this.label = label;
        this.patch = patch;
        this.inverse = inverse;
        this.madeAt = Instant.now();
    }
}
