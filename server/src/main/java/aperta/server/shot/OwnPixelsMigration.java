package aperta.server.shot;

import static aperta.media.json.Provider.JSON;

import aperta.core.shot.Shot;
import aperta.media.json.ShotJson;
import aperta.media.project.OwnPixels;
import jakarta.json.JsonObject;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Savepoint;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.flywaydb.core.api.MigrationVersion;
import org.flywaydb.core.api.migration.Context;
import org.flywaydb.core.api.migration.JavaMigration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Lengths became the layer's own pixels ({@link OwnPixels}). The states that undo and redo lead through are brought forward
 * one by one, and the changes between them are made anew, so that both still lead all the way.
 */
@Component
class OwnPixelsMigration implements JavaMigration {
    private static final Logger LOG = LoggerFactory.getLogger(OwnPixelsMigration.class);

    private record Edit(String patch, String inverse, Long below, Long above) {}

    @Override
    public MigrationVersion getVersion() {
        return MigrationVersion.fromVersion("6");
    }

    @Override
    public String getDescription() {
        return "own pixels";
    }

    @Override
    public Integer getChecksum() {
        return null;
    }

    @Override
    public boolean canExecuteInTransaction() {
        return true;
    }

    @Override
    public void migrate(Context context) throws SQLException {
        Connection db = context.getConnection();
        try (var rows = db.createStatement().executeQuery("select id, document, undo_edit, redo_edit from shot")) {
            while (rows.next()) {
                UUID id = rows.getObject("id", UUID.class);
                Savepoint before = db.setSavepoint();
                try {
                    bring(
                            db,
                            id,
                            rows.getString("document"),
                            rows.getObject("undo_edit", Long.class),
                            rows.getObject("redo_edit", Long.class));
                } catch (IllegalArgumentException e) {
                    db.rollback(before);
                    LOG.warn("The shot {} can't be read, and is left as it is: {}", id, e.getMessage());
                }
            }
        }
        try (var rows = db.createStatement().executeQuery("select id, settings from job")) {
            while (rows.next()) {
                UUID id = rows.getObject("id", UUID.class);
                try {
                    JsonObject settings = ShotJson.parse(rows.getString("settings"));
                    if (settings.get("shot") instanceof JsonObject old) {
                        JsonObject next = JSON.createObjectBuilder(settings)
                                .add("shot", forward(old))
                                .build();
                        set(db, "update job set settings = ? where id = ?", next.toString(), id);
                    }
                } catch (IllegalArgumentException e) {
                    LOG.warn("The settings of the job {} can't be read, and is left as it is: {}", id, e.getMessage());
                }
            }
        }
    }

    private static void bring(Connection db, UUID id, String document, Long undo, Long redo) throws SQLException {
        Map<Long, Edit> edits = edits(db, id);
        JsonObject now = ShotJson.parse(document);
        JsonObject shown = forward(now);
        set(db, "update shot set document = ? where id = ?", shown.toString(), id);
        JsonObject old = now;
        JsonObject next = shown;
        for (Long e = undo; e != null; e = edits.get(e).below) {
            JsonObject before = Steps.applied(old.toString(), edits.get(e).inverse);
            JsonObject brought = forward(before);
            between(db, e, brought, next);
            old = before;
            next = brought;
        }
        old = now;
        next = shown;
        for (Long e = redo; e != null; e = edits.get(e).above) {
            JsonObject after = Steps.applied(old.toString(), edits.get(e).patch);
            JsonObject brought = forward(after);
            between(db, e, next, brought);
            old = after;
            next = brought;
        }
    }

    private static void between(Connection db, long edit, JsonObject before, JsonObject after) throws SQLException {
        try (PreparedStatement update = db.prepareStatement("update edit set patch = ?, inverse = ? where id = ?")) {
            update.setString(1, Steps.diff(before, after));
            update.setString(2, Steps.diff(after, before));
            update.setLong(3, edit);
            update.executeUpdate();
        }
    }

    private static Map<Long, Edit> edits(Connection db, UUID shot) throws SQLException {
        Map<Long, Edit> all = new HashMap<>();
        try (PreparedStatement ask =
                db.prepareStatement("select id, patch, inverse, below, above from edit where shot_id = ?")) {
            ask.setObject(1, shot);
            ResultSet rows = ask.executeQuery();
            while (rows.next()) {
                all.put(
                        rows.getLong("id"),
                        new Edit(
                                rows.getString("patch"),
                                rows.getString("inverse"),
                                rows.getObject("below", Long.class),
                                rows.getObject("above", Long.class)));
            }
        }
        return all;
    }

    private static void set(Connection db, String sql, String document, UUID id) throws SQLException {
        try (PreparedStatement update = db.prepareStatement(sql)) {
            update.setString(1, document);
            update.setObject(2, id);
            update.executeUpdate();
        }
    }

    private static JsonObject forward(JsonObject document) {
        Shot old = ShotJson.read(document);
        return ShotJson.write(OwnPixels.of(old));
    }
}
