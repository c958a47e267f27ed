package vividlantern.server.store;

import jakarta.persistence.EntityManager;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vividlantern.format.Documents;
import vividlantern.template.Template;
import vividlantern.template.TemplateId;

/** Reads and writes templates. Each method is one transaction. */
@Repository
@Transactional
public class TemplateStore {

    private final EntityManager entities;

    public TemplateStore(EntityManager entities) {
        this.entities = entities;
    }

    /** The ids of all templates, the newest first. */
    @Transactional(readOnly = true)
    public List<TemplateId> ids() {
        return entities.createQuery("select t.id from TemplateRow t order by t.keptAt desc, t.id", String.class)
                .getResultStream()
                .map(TemplateId::new)
                .toList();
    }

    /** @throws Unreadable if what is stored of it cannot be understood */
    @Transactional(readOnly = true)
    public Optional<Template> template(TemplateId id) {
        return Unreadable.guard(
                "template",
                id.value(),
                () -> Optional.ofNullable(entities.find(TemplateRow.class, id.value()))
                        .map(row -> Documents.read(row.document, Template.class)));
    }

    public void add(Template template) {
        TemplateRow row = new TemplateRow();
        row.id = template.id().value();
        row.keptAt = OffsetDateTime.now(ZoneOffset.UTC);
        row.document = Documents.write(template);
        entities.persist(row);
    }

    /** Removes a template; whether there was one. */
    public boolean remove(TemplateId id) {
        return entities.createQuery("delete from TemplateRow t where t.id = :id")
                        .setParameter("id", id.value())
                        .executeUpdate()
                > 0;
    }
}
