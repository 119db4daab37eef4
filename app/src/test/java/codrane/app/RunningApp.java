package codrane.app;

import codrane.standin.StandinWorld;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Starts the real application once in a JVM, against real PostgreSQL and stand-ins over sockets, and hands it to tests.
 * (Spring's own JUnit extension needs JUnit 6.)
 */
final class RunningApp implements BeforeAllCallback, ParameterResolver {
    /** Fast, but slow enough that a browser sees the transfer go by. */
    private static final int SPEED = 8;

    private static App app;

    /** The running application and its world. */
    record App(ConfigurableApplicationContext context, StandinWorld world, String url) {
        <T> T bean(Class<T> type) {
            return context.getBean(type);
        }
    }

    @Override
    public void beforeAll(ExtensionContext context) throws IOException {
        boolean another = app != null; // class was here before
        shared();
        if (another) TestWorld.asAtFirst(app);
    }

    static synchronized App shared() throws IOException {
        if (app == null) app = launch(TestWorld.standins(false, SPEED));
        return app;
    }

    /** An application of its own, for tests that disturb their vehicle. */
    static App launch(StandinWorld world) throws IOException {
        return launch(world, TestDatabase.fresh());
    }

    /** On a database that is there already. */
    static App launch(StandinWorld world, TestDatabase.Database database, String... more) throws IOException {
        Path var = Files.createTempDirectory("codrane-test");
        List<String> arguments = new ArrayList<>(List.of("--server.port=0"));
        TestWorld.settings(world, database, var).forEach(s -> arguments.add("--" + s));
        arguments.addAll(List.of(more));
        SpringApplication application = new SpringApplication(CodraneApplication.class);
        application.setMainApplicationClass(CodraneApplication.class); // not the runner of the tests
        application.addInitializers(context -> context.getBeanFactory().addBeanPostProcessor(new Statements()));
        ConfigurableApplicationContext context = application.run(arguments.toArray(String[]::new));
        TestDatabase.closeFirst(context::close);
        return new App(
                context, world, "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port"));
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == App.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        return app;
    }
}
