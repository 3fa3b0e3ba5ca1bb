import { Injectable, inject } from '@angular/core';
import { type OpeningForm, type PostsForm, SALON, type Salon, type SalonForm } from '@mansuet/core/contract';
import { ApiService, type Answer } from '../server/api.service';
import { SessionService } from '../server/session.service';

/** Changes of what the salon says of itself: they count at once, on this device and in every new answer of the server. */
@Injectable({ providedIn: 'root' })
export class SalonService {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);

  change(form: SalonForm): Promise<Answer<Salon>> {
    return this.put('/salon', form);
  }
  changeOpening(form: OpeningForm): Promise<Answer<Salon>> {
    return this.put('/salon/opening', form);
  }
  changePosts(form: PostsForm): Promise<Answer<Salon>> {
    return this.put('/salon/posts', form);
  }

  private async put(path: string, form: object): Promise<Answer<Salon>> {
    const answer = await this.api.send('PUT', path, form, SALON);
    if (answer.ok) this.session.takeSalon(answer.value);
    return answer;
  }
}
