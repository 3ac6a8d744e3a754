import { fitModel, type ModelSession, type ModelShot } from '../../core/chart/model/fit'
import { probabilityOfGap, probabilityOfLooser, SAY } from '../../core/chart/model/statements'
import { chooseHit } from './simulation/errors'
import { drawDay, drawPlayer, hitM } from './simulation/player'
const GAP = 12*.9144
const S=Number(process.argv[2]), N=Number(process.argv[3])
for (let c=0;c<N;c++){
  const player=drawPlayer(S+c); const {cells,truthM,scatter,dice}=player
  const usual = [...scatter.map((s, i) => s / (1 + 30 / truthM[i]!))].sort((a, b) => a - b)[scatter.length >> 1]!
  const looseTruth = scatter.map((s, i) => s / (1 + 30 / truthM[i]!) / usual)
  const hit=chooseHit(player,1).slice(0,15)
  const sessions:ModelSession[]=[]
  let worstG=0, worstL=0
  const found:number[]=[]; let wide=0
  for(let v=0;v<4;v++){const day=drawDay(dice);const shots:ModelShot[]=[];sessions.push({day:30+v,shots})
   for(let k=0;k<15;k++){const cell=dice.pick(hit);shots.push({cell,carryM:hitM(player,cell,day),measSdM:.9144,balls:1})
    const fit=fitModel(cells,sessions,30+v)
    const order=[...fit.mean.keys()].sort((a,b)=>fit.mean[a]!-fit.mean[b]!)
    const last=v===3&&k===14
    order.slice(1).forEach((b,i)=>{const a=order[i]!;const p=probabilityOfGap(fit,a,b,GAP);const d=truthM[b]!-truthM[a]!
      if(d<=GAP){if(p>worstG)worstG=p}else if(last)found.push(p)
      if(last&&d>GAP+3*.9144)wide++})
    cells.forEach((_,a)=>{if(fit.cellDegrees[a]!>0&&looseTruth[a]!<=SAY.looserRatio){const p=probabilityOfLooser(fit,a,SAY.looserRatio);if(p>worstL)worstL=p}})
   }}
  console.log(JSON.stringify({worstG,worstL,found,wide}))
}
