import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { JOINT_LABELS, LEG_LABELS } from '@mansuet/core/knowledge/dogs';
import { type Joint, JOINT_COMFORTS, type JointComfort, JOINTS, type Leg, LEGS } from '@mansuet/core/words';
import { VisitStore } from '../visit/visit-store';

/** How far each joint goes today, and the leg it spares. */
@Component({
  selector: 'man-joints-panel',
  templateUrl: './joints-panel.html',
  styleUrl: './feel-over.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JointsPanel {
  private readonly store = inject(VisitStore);
  protected readonly joints = JOINTS;
  protected readonly jointLabels = JOINT_LABELS;
  protected readonly comforts = JOINT_COMFORTS;
  protected readonly legs = LEGS;
  protected readonly legLabels = LEG_LABELS;
  protected readonly feelOver = computed(() => this.store.state().feelOver);

  protected before(joint: Joint): string {
    const was = this.store.context()?.lastFound?.feelOver.joints[joint];
    return was && was !== 'free' ? `${was} last time` : '';
  }
  protected setFavours(leg: Leg | null): void {
    void this.store.record({ type: 'leg_favoured', body: { leg } });
  }
  protected setJoint(joint: Joint, comfort: JointComfort): void {
    void this.store.record({ type: 'joint_felt', body: { joint, comfort } });
  }
}
