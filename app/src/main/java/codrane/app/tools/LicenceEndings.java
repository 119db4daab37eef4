package codrane.app.tools;

import codrane.app.workshop.Endings;
import codrane.core.ready.Ending;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Licences of interfaces. */
@Component
class LicenceEndings implements Endings.Source {
    private final ToolRepository tools;

    LicenceEndings(ToolRepository tools) {
        this.tools = tools;
    }

    @Override
    public List<Ending> get() {
        return tools.findAll().stream()
                .flatMap(t -> Stream.ofNullable(t.licenceUntil)
                        .map(until -> new Ending("The licence of " + t.name, until, "/tools")))
                .toList();
    }
}
