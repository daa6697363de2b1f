package kilnryu.app.once;

import jakarta.servlet.http.HttpServletRequest;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.support.RequestDataValueProcessor;

/** Gives every form of a page its key, beside the token against forged requests. */
@Configuration
class FormKeys {

    @Bean
    static BeanPostProcessor keys() {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof RequestDataValueProcessor forms ? new Keyed(forms) : bean;
            }
        };
    }

    private record Keyed(RequestDataValueProcessor forms) implements RequestDataValueProcessor {
        @Override
        public String processAction(HttpServletRequest request, String action, String method) {
            return forms.processAction(request, action, method);
        }

        @Override
        public String processFormFieldValue(HttpServletRequest request, String name, String value, String type) {
            return forms.processFormFieldValue(request, name, value, type);
        }

        @Override
        public Map<String, String> getExtraHiddenFields(HttpServletRequest request) {
            Map<String, String> token = forms.getExtraHiddenFields(request);
            if (token == null || token.isEmpty()) {
                return token;
            }
            Map<String, String> both = new LinkedHashMap<>(token);
            both.put(Once.KEY, Once.key());
            return both;
        }

        @Override
        public String processUrl(HttpServletRequest request, String url) {
            return forms.processUrl(request, url);
        }
    }
}
