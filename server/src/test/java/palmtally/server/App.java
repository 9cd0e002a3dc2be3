package palmtally.server;

import java.time.Clock;
import java.time.InstantSource;
import java.util.HashMap;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeSet;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** The real app with the demo school, started once for all tests that name it, against a database of its own. */
public final class App implements BeforeAllCallback, ParameterResolver {
    /** The running app. */
    public record Running(ConfigurableApplicationContext context, TestDatabase database, int port)
            implements AutoCloseable {
        public String url() {
            return "http://localhost:" + port;
        }

        /** The clock of the app: what a test says of now, it says by this one. */
        public Clock clock() {
            return bean(Clock.class);
        }

        /** Every endpoint of ours, as {@code GET /api/terms/{term}/people}. */
        public SortedSet<String> endpoints() {
            var there = new TreeSet<String>();
            context.getBeansOfType(RequestMappingHandlerMapping.class)
                    .values()
                    .forEach(m -> m.getHandlerMethods().forEach((info, method) -> {
                        for (var path : info.getPatternValues())
                            if (path.startsWith("/api/")
                                    && method.getBeanType().getName().startsWith("palmtally"))
                                for (var verb : info.getMethodsCondition().getMethods()) there.add(verb + " " + path);
                    }));
            return there;
        }

        public <T> T bean(Class<T> type) {
            return context.getBean(type);
        }

        /** Ends the server; its database stays. */
        public void stop() {
            context.close();
        }

        @Override
        public void close() {
            context.close();
            database.close();
        }
    }

    /** What the first visit to an empty school asks for. */
    public static final String SET_UP_WORD = "quay-side";

    /** How many days ago the demo school's term began. */
    public static int demoDay() {
        return Integer.getInteger("palm.demo-day", 60);
    }

    public static Running start(TestDatabase database, boolean demo) {
        return start(database, demo, Map.of());
    }

    /** @param more settings beside those of every test */
    public static Running start(TestDatabase database, boolean demo, Map<String, Object> more) {
        return start(database, demo, more, Clock.systemUTC());
    }

    /** @param time what time it is for the app */
    public static Running start(TestDatabase database, boolean demo, Map<String, Object> more, InstantSource time) {
        Map<String, Object> settings = new HashMap<>(more);
        if (demo) settings.putIfAbsent("palm.demo-day", demoDay());
        settings.put("server.port", "0");
        settings.put("spring.datasource.url", database.url());
        settings.put("spring.datasource.username", database.user());
        settings.put("spring.datasource.password", database.password());
        settings.put("palm.demo", demo);
        settings.put("springdoc.api-docs.path", "/api/openapi.json");
        settings.put("springdoc.packages-to-scan", "palmtally.server");
        settings.put("logging.level.root", "warn");
        settings.put("palm.setup-word", SET_UP_WORD);
        // Tests sign in some thousand times.
        settings.put("palm.password-strength", "4");
        // And start many servers, most of which print nothing.
        settings.put("palm.warm", "false");
        var context = new SpringApplicationBuilder(PalmTally.class)
                .initializers(c -> c.getBeanFactory().registerSingleton("time", (InstantSource) time::instant))
                .run(settings.entrySet().stream()
                        .map(e -> "--" + e.getKey() + "=" + e.getValue())
                        .toArray(String[]::new));
        var port = context.getEnvironment().getRequiredProperty("local.server.port", Integer.class);
        return new Running(context, database, port);
    }

    private static Running running(ExtensionContext context) {
        return context.getRoot()
                .getStore(ExtensionContext.Namespace.GLOBAL)
                .getOrComputeIfAbsent(Running.class, k -> start(TestDatabase.fresh(), true), Running.class);
    }

    @Override
    public void beforeAll(ExtensionContext context) {
        running(context);
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == Running.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        return running(context);
    }
}
