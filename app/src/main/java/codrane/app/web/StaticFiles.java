package codrane.app.web;

import codrane.core.octets.Checksums;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Comparator;
import java.util.concurrent.TimeUnit;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.PathResourceResolver;
import org.springframework.web.servlet.resource.VersionResourceResolver;

/**
 * Scripts carry one hash of all of them in their address, so that a module finds the others of its own version. Other files
 * carry each its own, see application.yaml.
 */
@Configuration
class StaticFiles implements WebMvcConfigurer {
    private static final String SCRIPTS = "classpath:/static/js/";
    private static final int LENGTH = 16;

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/js/**")
                .addResourceLocations(SCRIPTS)
                .setCacheControl(CacheControl.maxAge(30, TimeUnit.DAYS))
                .resourceChain(true)
                .addResolver(new VersionResourceResolver().addFixedVersionStrategy(version(), "/**"))
                .addResolver(new PathResourceResolver());
    }

    private static String version() {
        try {
            Resource[] scripts = new PathMatchingResourcePatternResolver().getResources(SCRIPTS + "*.js");
            Arrays.sort(scripts, Comparator.comparing(Resource::getFilename));
            ByteArrayOutputStream all = new ByteArrayOutputStream();
            for (Resource script : scripts) all.write(script.getContentAsByteArray());
            return Checksums.sha256(all.toByteArray()).substring(0, LENGTH);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
