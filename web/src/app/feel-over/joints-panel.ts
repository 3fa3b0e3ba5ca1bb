import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { type Joint, JOINT_COMFORTS, type JointComfort, JOINTS, type Leg, LEGS } from '@mansuet/core/words';
import { type Choice, choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';

/** How far each joint goes today, and the leg it spares. */
@Component({
  selector: 'man-joints-panel',
  imports: [ChoiceGroup],
  templateUrl: './joints-panel.html',
  styleUrl: './feel-over.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JointsPanel {
  private readonly words = inject(Words);
  private readonly store = inject(VisitStore);
  protected readonly joints = JOINTS;
  protected readonly jointLabels = this.words.labels.joint;
  protected readonly comforts = choicesOf(JOINT_COMFORTS, this.words.labels.comfort);
  protected readonly legs: readonly Choice<Leg | 'none'>[] = [{ value: 'none', label: 'none' }, ...choicesOf(LEGS, this.words.labels.leg)];
  protected readonly feelOver = computed(() => this.store.state().feelOver);

  protected before(joint: Joint): string {
    const was = this.store.context()?.lastFound?.feelOver.joints[joint];
    return was && was !== 'free' ? `${was} last time` : '';
  }
  protected setFavours(leg: Leg | 'none'): void {
    void this.store.record({ type: 'leg_favoured', body: { leg: leg === 'none' ? null : leg } });
  }
  protected setJoint(joint: Joint, comfort: JointComfort): void {
    void this.store.record({ type: 'joint_felt', body: { joint, comfort } });
  }
}
