import { provideHttpClient, withFetch } from '@angular/common/http';
import {
  type ApplicationConfig,
  ErrorHandler,
  inject,
  isDevMode,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
} from '@angular/core';
import {
  PreloadAllModules,
  provideRouter,
  withComponentInputBinding,
  withInMemoryScrolling,
  withNavigationErrorHandler,
  withPreloading,
} from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { provideNzI18n, en_GB } from 'ng-zorro-antd/i18n';
import { routes } from './app.routes';
import { MissingScreen } from './navigation/missing-screen';
import { TroubleHandler } from './this-device/trouble-handler';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    { provide: ErrorHandler, useClass: TroubleHandler },
    provideRouter(
      routes,
      withComponentInputBinding(),
      withInMemoryScrolling({ scrollPositionRestoration: 'top' }),
      // Every screen is on the device before it is needed: the network may be gone by then.
      withPreloading(PreloadAllModules),
      withNavigationErrorHandler((error) => inject(MissingScreen).say(error)),
    ),
    provideHttpClient(withFetch()),
    provideNzI18n(en_GB),
    // The page itself is on the device once it was loaded: a reload without a network is a reload.
    provideServiceWorker('ngsw-worker.js', { enabled: !isDevMode() && isSecureContext, registrationStrategy: 'registerWhenStable:8000' }),
  ],
};
