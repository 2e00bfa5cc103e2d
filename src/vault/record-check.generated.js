// Made by tools/checks.ts from the JSON schemas. Not to be changed by hand.
"use strict";exports.isRecord=c;const Pe={type:"object",required:["version","id","roll","timeMs","offsetMinutes","image","camera","lens","exposure","focusM","set","metered",
"kelvin","result","files","place","made"],properties:{version:{const:3,type:"number"},id:{pattern:"^[0-9a-f]{32}$",type:"string"},roll:{minLength:1,maxLength:64,
type:"string"},group:{$ref:"part0"},timeMs:{$ref:"part1"},offsetMinutes:{minimum:-900,maximum:900,type:"integer"},image:{type:"object",required:["width","height",
"kind"],properties:{width:{minimum:2,maximum:65535,type:"integer"},height:{minimum:2,maximum:65535,type:"integer"},kind:{enum:["mosaic","rgb"]}}},camera:{maxLength:200,
type:"string"},lens:{maxLength:200,type:"string"},exposure:{type:"object",required:["shutterS","iso","apertureN","compensationEv"],properties:{shutterS:{anyOf:[
{minimum:1e-9,maximum:1e6,type:"number"},{$ref:"part2"}]},iso:{anyOf:[{minimum:.001,maximum:1e8,type:"number"},{$ref:"part2"}]},apertureN:{anyOf:[{minimum:.1,maximum:1e3,
type:"number"},{$ref:"part2"}]},compensationEv:{minimum:-20,maximum:20,type:"number"}}},focusM:{anyOf:[{$ref:"part3"},{$ref:"part2"}]},set:{additionalProperties:!1,
type:"object",properties:{shutter:{$ref:"part4"},iso:{$ref:"part4"},aperture:{$ref:"part4"},compensationEv:{minimum:-5,maximum:5,type:"number"},focus:{$ref:"par\
t5"},cut:{$ref:"part6"},meter:{$ref:"part7"},rules:{$ref:"part8"},filterStops:{minimum:0,maximum:20,type:"number"},delayS:{enum:[0,2,3,5,10,20]},bracket:{$ref:"\
part10"},burst:{$ref:"part11"},files:{$ref:"part12"},white:{$ref:"part13"},zoom:{minimum:1,maximum:100,type:"number"},torch:{type:"boolean"},pictures:{minimum:0,
maximum:64,type:"integer"},print:{$ref:"part14"}}},metered:{type:"object",required:["pattern","ev100"],properties:{pattern:{enum:["whole","centre","spot","highl\
ight"]},ev100:{$ref:"part15"}}},kelvin:{anyOf:[{minimum:100,maximum:1e6,type:"number"},{$ref:"part2"}]},tint:{minimum:-1e3,maximum:1e3,type:"number"},held:{$ref:"\
part16"},credit:{$ref:"part17"},position:{$ref:"part19"},rewhite:{type:"object",required:["kelvin","tint"],properties:{kelvin:{minimum:1e3,maximum:1e6,type:"num\
ber"},tint:{minimum:-1e3,maximum:1e3,type:"number"}}},verdict:{enum:["kept","dropped"]},rating:{minimum:1,maximum:5,type:"integer"},print:{$ref:"part14"},reframe:{
additionalProperties:!1,type:"object",required:["lines","orientation","tiltDeg"],properties:{lines:{type:"object",required:["x","y","width","height"],properties:{
x:{minimum:0,maximum:65535,type:"integer"},y:{minimum:0,maximum:65535,type:"integer"},width:{minimum:1,maximum:65535,type:"integer"},height:{minimum:1,maximum:65535,
type:"integer"}}},orientation:{enum:[1,2,3,4,5,6,7,8]},tiltDeg:{minimum:-45,maximum:45,type:"number"}}},shakePx:{minimum:0,maximum:1e6,type:"number"},forecast:{
$ref:"part20"},result:{anyOf:[{$ref:"part20"},{$ref:"part2"}]},files:{minItems:1,maxItems:8,type:"array",items:{type:"object",required:["format","bytes","sha256"],
properties:{format:{enum:["dng","jpeg","tiff","png"]},bytes:{minimum:1,maximum:1099511627776,type:"integer"},sha256:{anyOf:[{pattern:"^[0-9a-f]{64}$",type:"stri\
ng"},{$ref:"part2"}]}}}},place:{anyOf:[{type:"object",required:["kind"],properties:{kind:{const:"stored",type:"string"}}},{type:"object",required:["kind","url"],
properties:{kind:{const:"served",type:"string"},url:{maxLength:2e3,type:"string"}}}]},made:{anyOf:[{type:"object",required:["kind","scene","seed","lensId","outs\
ide","clockS"],properties:{kind:{const:"simulated",type:"string"},scene:{maxLength:200,type:"string"},seed:{minimum:-9007199254740991,maximum:9007199254740991,type:"\
integer"},lensId:{$ref:"part21"},outside:{$ref:"part22"},clockS:{$ref:"part23"}}},{type:"object",required:["kind","device","pictures"],properties:{kind:{const:"\
browser",type:"string"},device:{maxLength:200,type:"string"},pictures:{minimum:1,maximum:64,type:"integer"}}},{type:"object",required:["kind","file"],properties:{
kind:{const:"imported",type:"string"},file:{maxLength:200,type:"string"}}}]}}},De=new RegExp("^[0-9a-f]{32}$","u"),Fe=new RegExp("^[0-9a-f]{64}$","u"),E=require("ajv/dist/runtime/ucs2length").
default,ke=Object.prototype.hasOwnProperty;function Q(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;if(i.
id===void 0&&(a="id")||i.index===void 0&&(a="index"))return Q.errors=[{}],!1;if(i.id!==void 0){let f=i.id;const t=e;if(e===t)if(typeof f=="string"){if(!De.test(
f))return Q.errors=[{}],!1}else return Q.errors=[{}],!1;var s=t===e}else var s=!0;if(s){if(i.index!==void 0){let f=i.index;const t=e;if(!(typeof f=="number"&&!(f%
1)&&!isNaN(f)&&isFinite(f)))return Q.errors=[{}],!1;if(e===t&&typeof f=="number"&&isFinite(f)){if(f>9999||isNaN(f))return Q.errors=[{}],!1;if(f<0||isNaN(f))return Q.
errors=[{}],!1}var s=t===e}else var s=!0;if(s){if(i.of!==void 0){let f=i.of;const t=e;if(!(typeof f=="number"&&!(f%1)&&!isNaN(f)&&isFinite(f)))return Q.errors=[
{}],!1;if(e===t&&typeof f=="number"&&isFinite(f)){if(f>1e4||isNaN(f))return Q.errors=[{}],!1;if(f<1||isNaN(f))return Q.errors=[{}],!1}var s=t===e}else var s=!0;
if(s)if(i.kind!==void 0){let f=i.kind;const t=e;if(!(f==="bracket"||f==="burst"))return Q.errors=[{}],!1;var s=t===e}else var s=!0}}}else return Q.errors=[{}],!1;
return Q.errors=r,e===0}function B(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(typeof i=="number"&&isFinite(i)){if(i>2534022144e5||
isNaN(i))return B.errors=[{}],!1;if(i<-621355104e5||isNaN(i))return B.errors=[{}],!1}else return B.errors=[{}],!1;return B.errors=r,e===0}function q(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let s;if(i.
unknown===void 0&&(s="unknown"))return q.errors=[{}],!1;{const a=e;for(const f in i)if(f!=="unknown"){return q.errors=[{}],!1;break}if(a===e&&i.unknown!==void 0){
let f=i.unknown;if(e===e)if(typeof f=="string"){if(E(f)>300)return q.errors=[{}],!1}else return q.errors=[{}],!1}}}else return q.errors=[{}],!1;return q.errors=
r,e===0}function he(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;const s=e;let a=!1;const f=e;if(e===f)if(typeof i=="number"&&
isFinite(i)){if(i>1e9||isNaN(i)){const p={};r===null?r=[p]:r.push(p),e++}else if(i<=0||isNaN(i)){const p={};r===null?r=[p]:r.push(p),e++}}else{const p={};r===null?
r=[p]:r.push(p),e++}var t=f===e;if(a=a||t,!a){const p=e;if(i!==null){const M={};r===null?r=[M]:r.push(M),e++}var t=p===e;a=a||t}if(a)e=s,r!==null&&(s?r.length=s:
r=null);else{const p={};return r===null?r=[p]:r.push(p),e++,he.errors=r,!1}return he.errors=r,e===0}function T(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;if(i.
auto===void 0&&(a="auto")||i.exact===void 0&&(a="exact"))return T.errors=[{}],!1;{const f=e;for(const t in i)if(!(t==="auto"||t==="exact")){return T.errors=[{}],
!1;break}if(f===e){if(i.auto!==void 0){const t=e;if(typeof i.auto!="boolean")return T.errors=[{}],!1;var s=t===e}else var s=!0;if(s)if(i.exact!==void 0){let t=i.
exact;const p=e;if(e===p)if(typeof t=="number"&&isFinite(t)){if(t>8192||isNaN(t))return T.errors=[{}],!1;if(t<=0||isNaN(t))return T.errors=[{}],!1}else return T.
errors=[{}],!1;var s=p===e}else var s=!0}}}else return T.errors=[{}],!1;return T.errors=r,e===0}function re(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;
if(i.auto===void 0&&(a="auto")||i.exact===void 0&&(a="exact")||i.how===void 0&&(a="how"))return re.errors=[{}],!1;{const f=e;for(const t in i)if(!(t==="auto"||t===
"exact"||t==="how")){return re.errors=[{}],!1;break}if(f===e){if(i.auto!==void 0){const t=e;if(typeof i.auto!="boolean")return re.errors=[{}],!1;var s=t===e}else
var s=!0;if(s){if(i.exact!==void 0){let t=i.exact;const p=e;if(e===p)if(typeof t=="number"&&isFinite(t)){if(t>8192||isNaN(t))return re.errors=[{}],!1;if(t<=0||isNaN(
t))return re.errors=[{}],!1}else return re.errors=[{}],!1;var s=p===e}else var s=!0;if(s)if(i.how!==void 0){let t=i.how;const p=e;if(!(t==="continuous"||t==="si\
ngle"))return re.errors=[{}],!1;var s=p===e}else var s=!0}}}}else return re.errors=[{}],!1;return re.errors=r,e===0}function ae(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;
if(i.aspect===void 0&&(a="aspect")||i.times===void 0&&(a="times"))return ae.errors=[{}],!1;{const f=e;for(const t in i)if(!(t==="aspect"||t==="times")){return ae.
errors=[{}],!1;break}if(f===e){if(i.aspect!==void 0){let t=i.aspect;const p=e;if(!(t==="whole"||t==="4:3"||t==="3:2"||t==="16:9"||t==="1:1"||t==="65:24"))return ae.
errors=[{}],!1;var s=p===e}else var s=!0;if(s)if(i.times!==void 0){let t=i.times;const p=e;if(e===p)if(typeof t=="number"&&isFinite(t)){if(t>8||isNaN(t))return ae.
errors=[{}],!1;if(t<1||isNaN(t))return ae.errors=[{}],!1}else return ae.errors=[{}],!1;var s=p===e}else var s=!0}}}else return ae.errors=[{}],!1;return ae.errors=
r,e===0}function oe(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;
if(i.pattern===void 0&&(a="pattern")||i.spotShare===void 0&&(a="spotShare")||i.burnShare===void 0&&(a="burnShare"))return oe.errors=[{}],!1;{const f=e;for(const t in i)
if(!(t==="pattern"||t==="spotShare"||t==="burnShare")){return oe.errors=[{}],!1;break}if(f===e){if(i.pattern!==void 0){let t=i.pattern;const p=e;if(!(t==="whole"||
t==="centre"||t==="spot"||t==="highlight"))return oe.errors=[{}],!1;var s=p===e}else var s=!0;if(s){if(i.spotShare!==void 0){let t=i.spotShare;const p=e;if(!(t===
.003||t===.01||t===.03))return oe.errors=[{}],!1;var s=p===e}else var s=!0;if(s)if(i.burnShare!==void 0){let t=i.burnShare;const p=e;if(!(t===3e-4||t===.001||t===
.01))return oe.errors=[{}],!1;var s=p===e}else var s=!0}}}}else return oe.errors=[{}],!1;return oe.errors=r,e===0}const we=require("ajv/dist/runtime/equal").default;function ee(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(Array.isArray(i)){if(i.length>2)return ee.errors=
[{}],!1;if(i.length<2)return ee.errors=[{}],!1;{var s=!0;const a=i.length;for(let f=0;f<a;f++){let t=i[f];const p=e;if(e===p)if(typeof t=="number"&&isFinite(t)){
if(t>8192||isNaN(t))return ee.errors=[{}],!1;if(t<=0||isNaN(t))return ee.errors=[{}],!1}else return ee.errors=[{}],!1;var s=p===e;if(!s)break}}}else return ee.errors=
[{}],!1;return ee.errors=r,e===0}function G(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="ob\
ject"&&!Array.isArray(i)){let f;if(i.order===void 0&&(f="order")||i.steadyThirds===void 0&&(f="steadyThirds")||i.isoCeiling===void 0&&(f="isoCeiling")||i.shutter===
void 0&&(f="shutter")||i.iso===void 0&&(f="iso")||i.aperture===void 0&&(f="aperture"))return G.errors=[{}],!1;{const t=e;for(const p in i)if(!(p==="order"||p===
"steadyThirds"||p==="isoCeiling"||p==="shutter"||p==="iso"||p==="aperture")){return G.errors=[{}],!1;break}if(t===e){if(i.order!==void 0){let p=i.order;const A=e;
if(e===A)if(Array.isArray(p)){if(p.length>3)return G.errors=[{}],!1;if(p.length<3)return G.errors=[{}],!1;{var s=!0;const M=p.length;for(let l=0;l<M;l++){let D=p[l];
const b=e;if(!(D==="shutter"||D==="aperture"||D==="iso"))return G.errors=[{}],!1;var s=b===e;if(!s)break}if(s){let l=p.length,D;if(l>1){e:for(;l--;)for(D=l;D--;)
if(we(p[l],p[D])){return G.errors=[{}],!1;break e}}}}}else return G.errors=[{}],!1;var a=A===e}else var a=!0;if(a){if(i.steadyThirds!==void 0){let p=i.steadyThirds;
const A=e;if(!(typeof p=="number"&&!(p%1)&&!isNaN(p)&&isFinite(p)))return G.errors=[{}],!1;if(e===A&&typeof p=="number"&&isFinite(p)){if(p>6||isNaN(p))return G.
errors=[{}],!1;if(p<-6||isNaN(p))return G.errors=[{}],!1}var a=A===e}else var a=!0;if(a){if(i.isoCeiling!==void 0){let p=i.isoCeiling;const A=e;if(e===A)if(typeof p==
"number"&&isFinite(p)){if(p>6500||isNaN(p))return G.errors=[{}],!1;if(p<50||isNaN(p))return G.errors=[{}],!1}else return G.errors=[{}],!1;var a=A===e}else var a=!0;
if(a){if(i.shutter!==void 0){const p=e;ee(i.shutter,{instancePath:m+"/shutter",parentData:i,parentDataProperty:"shutter",rootData:v})||(r=r===null?ee.errors:r.concat(
ee.errors),e=r.length);var a=p===e}else var a=!0;if(a){if(i.iso!==void 0){const p=e;ee(i.iso,{instancePath:m+"/iso",parentData:i,parentDataProperty:"iso",rootData:v})||
(r=r===null?ee.errors:r.concat(ee.errors),e=r.length);var a=p===e}else var a=!0;if(a)if(i.aperture!==void 0){const p=e;ee(i.aperture,{instancePath:m+"/aperture",
parentData:i,parentDataProperty:"aperture",rootData:v})||(r=r===null?ee.errors:r.concat(ee.errors),e=r.length);var a=p===e}else var a=!0}}}}}}}else return G.errors=
[{}],!1;return G.errors=r,e===0}function V(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;if(i.
frames===void 0&&(a="frames")||i.stepThirds===void 0&&(a="stepThirds")||i.order===void 0&&(a="order")||i.by===void 0&&(a="by"))return V.errors=[{}],!1;{const f=e;
for(const t in i)if(!(t==="frames"||t==="stepThirds"||t==="order"||t==="by")){return V.errors=[{}],!1;break}if(f===e){if(i.frames!==void 0){let t=i.frames;const p=e;
if(!(typeof t=="number"&&!(t%1)&&!isNaN(t)&&isFinite(t)))return V.errors=[{}],!1;if(e===p&&typeof t=="number"&&isFinite(t)){if(t>9||isNaN(t))return V.errors=[{}],
!1;if(t<1||isNaN(t))return V.errors=[{}],!1}var s=p===e}else var s=!0;if(s){if(i.stepThirds!==void 0){let t=i.stepThirds;const p=e;if(!(typeof t=="number"&&!(t%
1)&&!isNaN(t)&&isFinite(t)))return V.errors=[{}],!1;if(e===p&&typeof t=="number"&&isFinite(t)){if(t>9||isNaN(t))return V.errors=[{}],!1;if(t<1||isNaN(t))return V.
errors=[{}],!1}var s=p===e}else var s=!0;if(s){if(i.order!==void 0){let t=i.order;const p=e;if(!(t==="middle"||t==="rising"||t==="falling"))return V.errors=[{}],
!1;var s=p===e}else var s=!0;if(s)if(i.by!==void 0){let t=i.by;const p=e;if(!(t==="shutter"||t==="iso"))return V.errors=[{}],!1;var s=p===e}else var s=!0}}}}}else
return V.errors=[{}],!1;return V.errors=r,e===0}function X(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;if(i.
frames===void 0&&(a="frames")||i.perS===void 0&&(a="perS")||i.held===void 0&&(a="held"))return X.errors=[{}],!1;{const f=e;for(const t in i)if(!(t==="frames"||t===
"perS"||t==="held")){return X.errors=[{}],!1;break}if(f===e){if(i.frames!==void 0){let t=i.frames;const p=e;if(!(typeof t=="number"&&!(t%1)&&!isNaN(t)&&isFinite(
t)))return X.errors=[{}],!1;if(e===p&&typeof t=="number"&&isFinite(t)){if(t>30||isNaN(t))return X.errors=[{}],!1;if(t<1||isNaN(t))return X.errors=[{}],!1}var s=p===
e}else var s=!0;if(s){if(i.perS!==void 0){let t=i.perS;const p=e;if(!(typeof t=="number"&&!(t%1)&&!isNaN(t)&&isFinite(t)))return X.errors=[{}],!1;if(e===p&&typeof t==
"number"&&isFinite(t)){if(t>15||isNaN(t))return X.errors=[{}],!1;if(t<1||isNaN(t))return X.errors=[{}],!1}var s=p===e}else var s=!0;if(s)if(i.held!==void 0){const t=e;
if(typeof i.held!="boolean")return X.errors=[{}],!1;var s=t===e}else var s=!0}}}}else return X.errors=[{}],!1;return X.errors=r,e===0}function ie(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;
if(i.kind===void 0&&(a="kind")||i.quality===void 0&&(a="quality")||i.size===void 0&&(a="size"))return ie.errors=[{}],!1;{const f=e;for(const t in i)if(!(t==="ki\
nd"||t==="quality"||t==="size")){return ie.errors=[{}],!1;break}if(f===e){if(i.kind!==void 0){let t=i.kind;const p=e;if(!(t==="dng"||t==="dng+jpeg"||t==="jpeg"||
t==="tiff"||t==="png"||t==="png16"))return ie.errors=[{}],!1;var s=p===e}else var s=!0;if(s){if(i.quality!==void 0){let t=i.quality;const p=e;if(!(typeof t=="nu\
mber"&&!(t%1)&&!isNaN(t)&&isFinite(t)))return ie.errors=[{}],!1;if(e===p&&typeof t=="number"&&isFinite(t)){if(t>100||isNaN(t))return ie.errors=[{}],!1;if(t<60||
isNaN(t))return ie.errors=[{}],!1}var s=p===e}else var s=!0;if(s)if(i.size!==void 0){let t=i.size;const p=e;if(!(t===1||t===2||t===4))return ie.errors=[{}],!1;var s=p===
e}else var s=!0}}}}else return ie.errors=[{}],!1;return ie.errors=r,e===0}function Y(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;if(i.
auto===void 0&&(a="auto")||i.exact===void 0&&(a="exact")||i.tint===void 0&&(a="tint"))return Y.errors=[{}],!1;{const f=e;for(const t in i)if(!(t==="auto"||t==="\
exact"||t==="tint")){return Y.errors=[{}],!1;break}if(f===e){if(i.auto!==void 0){const t=e;if(typeof i.auto!="boolean")return Y.errors=[{}],!1;var s=t===e}else var s=!0;
if(s){if(i.exact!==void 0){let t=i.exact;const p=e;if(e===p)if(typeof t=="number"&&isFinite(t)){if(t>12e3||isNaN(t))return Y.errors=[{}],!1;if(t<2e3||isNaN(t))return Y.
errors=[{}],!1}else return Y.errors=[{}],!1;var s=p===e}else var s=!0;if(s)if(i.tint!==void 0){let t=i.tint;const p=e;if(e===p)if(typeof t=="number"&&isFinite(t)){
if(t>150||isNaN(t))return Y.errors=[{}],!1;if(t<-150||isNaN(t))return Y.errors=[{}],!1}else return Y.errors=[{}],!1;var s=p===e}else var s=!0}}}}else return Y.errors=
[{}],!1;return Y.errors=r,e===0}const Ae=new RegExp("\\S","u");function ce(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;const s=e;let a=!1;const f=e;
if(e===f)if(i&&typeof i=="object"&&!Array.isArray(i)){let l;if(i.name===void 0&&(l="name")||i.exposureEv===void 0&&(l="exposureEv")||i.warmthMired===void 0&&(l=
"warmthMired")||i.contrast===void 0&&(l="contrast")||i.saturation===void 0&&(l="saturation")||i.mix===void 0&&(l="mix")){const D={};r===null?r=[D]:r.push(D),e++}else{
const D=e;for(const b in i)if(!(b==="name"||b==="exposureEv"||b==="warmthMired"||b==="contrast"||b==="saturation"||b==="mix")){const w={};r===null?r=[w]:r.push(
w),e++;break}if(D===e){if(i.name!==void 0){let b=i.name;const w=e;if(e===w)if(typeof b=="string"){if(E(b)>40){const d={};r===null?r=[d]:r.push(d),e++}else if(E(
b)<1){const d={};r===null?r=[d]:r.push(d),e++}else if(!Ae.test(b)){const d={};r===null?r=[d]:r.push(d),e++}}else{const d={};r===null?r=[d]:r.push(d),e++}var t=w===
e}else var t=!0;if(t){if(i.exposureEv!==void 0){let b=i.exposureEv;const w=e;if(e===w)if(typeof b=="number"&&isFinite(b)){if(b>3||isNaN(b)){const u={};r===null?
r=[u]:r.push(u),e++}else if(b<-3||isNaN(b)){const u={};r===null?r=[u]:r.push(u),e++}}else{const u={};r===null?r=[u]:r.push(u),e++}var t=w===e}else var t=!0;if(t){
if(i.warmthMired!==void 0){let b=i.warmthMired;const w=e;if(e===w)if(typeof b=="number"&&isFinite(b)){if(b>100||isNaN(b)){const u={};r===null?r=[u]:r.push(u),e++}else if(b<
-100||isNaN(b)){const u={};r===null?r=[u]:r.push(u),e++}}else{const u={};r===null?r=[u]:r.push(u),e++}var t=w===e}else var t=!0;if(t){if(i.contrast!==void 0){let b=i.
contrast;const w=e;if(e===w)if(typeof b=="number"&&isFinite(b)){if(b>2||isNaN(b)){const u={};r===null?r=[u]:r.push(u),e++}else if(b<.5||isNaN(b)){const u={};r===
null?r=[u]:r.push(u),e++}}else{const u={};r===null?r=[u]:r.push(u),e++}var t=w===e}else var t=!0;if(t){if(i.saturation!==void 0){let b=i.saturation;const w=e;if(e===
w)if(typeof b=="number"&&isFinite(b)){if(b>1.5||isNaN(b)){const u={};r===null?r=[u]:r.push(u),e++}else if(b<0||isNaN(b)){const u={};r===null?r=[u]:r.push(u),e++}}else{
const u={};r===null?r=[u]:r.push(u),e++}var t=w===e}else var t=!0;if(t)if(i.mix!==void 0){let b=i.mix;const w=e,d=e;let u=!1;const j=e;if(e===j)if(Array.isArray(
b))if(b.length>3){const S={};r===null?r=[S]:r.push(S),e++}else if(b.length<3){const S={};r===null?r=[S]:r.push(S),e++}else{var p=!0;const S=b.length;for(let Z=0;Z<
S;Z++){let H=b[Z];const de=e;if(e===de)if(typeof H=="number"&&isFinite(H)){if(H>2||isNaN(H)){const le={};r===null?r=[le]:r.push(le),e++}else if(H<-1||isNaN(H)){
const le={};r===null?r=[le]:r.push(le),e++}}else{const le={};r===null?r=[le]:r.push(le),e++}var p=de===e;if(!p)break}}else{const S={};r===null?r=[S]:r.push(S),e++}
var A=j===e;if(u=u||A,!u){const S=e;if(b!==null){const H={};r===null?r=[H]:r.push(H),e++}var A=S===e;u=u||A}if(u)e=d,r!==null&&(d?r.length=d:r=null);else{const S={};
r===null?r=[S]:r.push(S),e++}var t=w===e}else var t=!0}}}}}}}else{const l={};r===null?r=[l]:r.push(l),e++}var M=f===e;if(a=a||M,!a){const l=e;if(i!==null){const b={};
r===null?r=[b]:r.push(b),e++}var M=l===e;a=a||M}if(a)e=s,r!==null&&(s?r.length=s:r=null);else{const l={};return r===null?r=[l]:r.push(l),e++,ce.errors=r,!1}return ce.
errors=r,e===0}function ge(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;const s=e;let a=!1;const f=e;if(e===f)if(typeof i=="number"&&
isFinite(i)){if(i>100||isNaN(i)){const p={};r===null?r=[p]:r.push(p),e++}else if(i<-100||isNaN(i)){const p={};r===null?r=[p]:r.push(p),e++}}else{const p={};r===
null?r=[p]:r.push(p),e++}var t=f===e;if(a=a||t,!a){const p=e;q(i,{instancePath:m,parentData:L,parentDataProperty:I,rootData:v})||(r=r===null?q.errors:r.concat(q.
errors),e=r.length);var t=p===e;a=a||t}if(a)e=s,r!==null&&(s?r.length=s:r=null);else{const p={};return r===null?r=[p]:r.push(p),e++,ge.errors=r,!1}return ge.errors=
r,e===0}function se(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;
if(i.rollDeg===void 0&&(a="rollDeg")||i.pitchDeg===void 0&&(a="pitchDeg"))return se.errors=[{}],!1;if(i.rollDeg!==void 0){let f=i.rollDeg;const t=e;if(e===t)if(typeof f==
"number"&&isFinite(f)){if(f>180||isNaN(f))return se.errors=[{}],!1;if(f<-180||isNaN(f))return se.errors=[{}],!1}else return se.errors=[{}],!1;var s=t===e}else var s=!0;
if(s)if(i.pitchDeg!==void 0){let f=i.pitchDeg;const t=e;if(e===t)if(typeof f=="number"&&isFinite(f)){if(f>90||isNaN(f))return se.errors=[{}],!1;if(f<-90||isNaN(
f))return se.errors=[{}],!1}else return se.errors=[{}],!1;var s=t===e}else var s=!0}else return se.errors=[{}],!1;return se.errors=r,e===0}function ne(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(Array.isArray(i)){if(i.length>32)return ne.errors=
[{}],!1;{var s=!0;const a=i.length;for(let f=0;f<a;f++){let t=i[f];const p=e;if(e===p)if(typeof t=="string"){if(E(t)>64)return ne.errors=[{}],!1;if(E(t)<1)return ne.
errors=[{}],!1}else return ne.errors=[{}],!1;var s=p===e;if(!s)break}}}else return ne.errors=[{}],!1;return ne.errors=r,e===0}function ue(i,{instancePath:m="",parentData:L,
parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;if(i.person===void 0&&(a="person")||i.copyright===
void 0&&(a="copyright")||i.keywords===void 0&&(a="keywords"))return ue.errors=[{}],!1;if(i.person!==void 0){let f=i.person;const t=e;if(e===t)if(typeof f=="stri\
ng"){if(E(f)>100)return ue.errors=[{}],!1}else return ue.errors=[{}],!1;var s=t===e}else var s=!0;if(s){if(i.copyright!==void 0){let f=i.copyright;const t=e;if(e===
t)if(typeof f=="string"){if(E(f)>200)return ue.errors=[{}],!1}else return ue.errors=[{}],!1;var s=t===e}else var s=!0;if(s)if(i.keywords!==void 0){const f=e;ne(
i.keywords,{instancePath:m+"/keywords",parentData:i,parentDataProperty:"keywords",rootData:v})||(r=r===null?ne.errors:r.concat(ne.errors),e=r.length);var s=f===
e}else var s=!0}}else return ue.errors=[{}],!1;return ue.errors=r,e===0}function z(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;if(i.
latitudeDeg===void 0&&(a="latitudeDeg")||i.longitudeDeg===void 0&&(a="longitudeDeg")||i.accuracyM===void 0&&(a="accuracyM")||i.timeMs===void 0&&(a="timeMs"))return z.
errors=[{}],!1;if(i.latitudeDeg!==void 0){let f=i.latitudeDeg;const t=e;if(e===t)if(typeof f=="number"&&isFinite(f)){if(f>90||isNaN(f))return z.errors=[{}],!1;if(f<
-90||isNaN(f))return z.errors=[{}],!1}else return z.errors=[{}],!1;var s=t===e}else var s=!0;if(s){if(i.longitudeDeg!==void 0){let f=i.longitudeDeg;const t=e;if(e===
t)if(typeof f=="number"&&isFinite(f)){if(f>180||isNaN(f))return z.errors=[{}],!1;if(f<-180||isNaN(f))return z.errors=[{}],!1}else return z.errors=[{}],!1;var s=t===
e}else var s=!0;if(s){if(i.accuracyM!==void 0){let f=i.accuracyM;const t=e;if(e===t)if(typeof f=="number"&&isFinite(f)){if(f>5e7||isNaN(f))return z.errors=[{}],
!1;if(f<0||isNaN(f))return z.errors=[{}],!1}else return z.errors=[{}],!1;var s=t===e}else var s=!0;if(s){if(i.altitudeM!==void 0){let f=i.altitudeM;const t=e;if(e===
t)if(typeof f=="number"&&isFinite(f)){if(f>1e7||isNaN(f))return z.errors=[{}],!1;if(f<-1e5||isNaN(f))return z.errors=[{}],!1}else return z.errors=[{}],!1;var s=t===
e}else var s=!0;if(s){if(i.method!==void 0){let f=i.method;const t=e;if(typeof f!="string")return z.errors=[{}],!1;if(f!=="MANUAL")return z.errors=[{}],!1;var s=t===
e}else var s=!0;if(s)if(i.timeMs!==void 0){let f=i.timeMs;const t=e;if(e===t)if(typeof f=="number"&&isFinite(f)){if(f>2534022144e5||isNaN(f))return z.errors=[{}],
!1;if(f<0||isNaN(f))return z.errors=[{}],!1}else return z.errors=[{}],!1;var s=t===e}else var s=!0}}}}}else return z.errors=[{}],!1;return z.errors=r,e===0}function O(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let p;if(i.
channels===void 0&&(p="channels")||i.headroomEv===void 0&&(p="headroomEv"))return O.errors=[{}],!1;if(i.channels!==void 0){let A=i.channels;const M=e;if(e===M)if(Array.
isArray(A)){if(A.length>16)return O.errors=[{}],!1;{var s=!0;const l=A.length;for(let D=0;D<l;D++){let b=A[D];const w=e;if(e===w)if(b&&typeof b=="object"&&!Array.
isArray(b)){let u;if(b.name===void 0&&(u="name")||b.clippedShare===void 0&&(u="clippedShare")||b.belowFloorShare===void 0&&(u="belowFloorShare"))return O.errors=
[{}],!1;if(b.name!==void 0){let j=b.name;const R=e;if(e===R)if(typeof j=="string"){if(E(j)>200)return O.errors=[{}],!1}else return O.errors=[{}],!1;var a=R===e}else
var a=!0;if(a){if(b.clippedShare!==void 0){let j=b.clippedShare;const R=e;if(e===R)if(typeof j=="number"&&isFinite(j)){if(j>1||isNaN(j))return O.errors=[{}],!1;
if(j<0||isNaN(j))return O.errors=[{}],!1}else return O.errors=[{}],!1;var a=R===e}else var a=!0;if(a)if(b.belowFloorShare!==void 0){let j=b.belowFloorShare;const R=e;
if(e===R)if(typeof j=="number"&&isFinite(j)){if(j>1||isNaN(j))return O.errors=[{}],!1;if(j<0||isNaN(j))return O.errors=[{}],!1}else return O.errors=[{}],!1;var a=R===
e}else var a=!0}}else return O.errors=[{}],!1;var s=w===e;if(!s)break}}}else return O.errors=[{}],!1;var f=M===e}else var f=!0;if(f)if(i.headroomEv!==void 0){let A=i.
headroomEv;const M=e,l=e;let D=!1;const b=e;if(e===b)if(typeof A=="number"&&isFinite(A)){if(A>100||isNaN(A)){const d={};r===null?r=[d]:r.push(d),e++}else if(A<-100||
isNaN(A)){const d={};r===null?r=[d]:r.push(d),e++}}else{const d={};r===null?r=[d]:r.push(d),e++}var t=b===e;if(D=D||t,!D){const d=e;if(A!==null){const j={};r===
null?r=[j]:r.push(j),e++}var t=d===e;D=D||t}if(D)e=l,r!==null&&(l?r.length=l:r=null);else{const d={};return r===null?r=[d]:r.push(d),e++,O.errors=r,!1}var f=M===
e}else var f=!0}else return O.errors=[{}],!1;return O.errors=r,e===0}function Ne(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;return i==="ultra-wide"||i==="wide"||i==="tele"||i==="zoom-2\
4"||i==="zoom-35"||i==="zoom-50"||i==="zoom-77"||i==="small-13"||i==="small-24"||i==="small-77"?(Ne.errors=r,e===0):(Ne.errors=[{}],!1)}const Me=new RegExp("^(.*)$","u");function te(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="\
object"&&!Array.isArray(i)){let f;if(i.levels===void 0&&(f="levels")||i.support===void 0&&(f="support")||i.wheel===void 0&&(f="wheel"))return te.errors=[{}],!1;
if(i.levels!==void 0){let t=i.levels;const p=e;if(e===p)if(t&&typeof t=="object"&&!Array.isArray(t)){var s=!0;for(const A in t)if(Me.test(A)){let M=t[A];const l=e;
if(e===l)if(typeof M=="number"&&isFinite(M)){if(M>1||isNaN(M))return te.errors=[{}],!1;if(M<0||isNaN(M))return te.errors=[{}],!1}else return te.errors=[{}],!1;var s=l===
e;if(!s)break}}else return te.errors=[{}],!1;var a=p===e}else var a=!0;if(a){if(i.support!==void 0){let t=i.support;const p=e;if(!(t==="hand"||t==="tripod"))return te.
errors=[{}],!1;var a=p===e}else var a=!0;if(a)if(i.wheel!==void 0){let t=i.wheel;const p=e;if(!(t==="still"||t==="slow"||t==="fast"))return te.errors=[{}],!1;var a=p===
e}else var a=!0}}else return te.errors=[{}],!1;return te.errors=r,e===0}function ve(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(typeof i=="number"&&isFinite(i)){if(i>1e9||isNaN(
i))return ve.errors=[{}],!1;if(i<-1e9||isNaN(i))return ve.errors=[{}],!1}else return ve.errors=[{}],!1;return ve.errors=r,e===0}function c(i,{instancePath:m="",
parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let W;if(i.version===void 0&&(W="versio\
n")||i.id===void 0&&(W="id")||i.roll===void 0&&(W="roll")||i.timeMs===void 0&&(W="timeMs")||i.offsetMinutes===void 0&&(W="offsetMinutes")||i.image===void 0&&(W=
"image")||i.camera===void 0&&(W="camera")||i.lens===void 0&&(W="lens")||i.exposure===void 0&&(W="exposure")||i.focusM===void 0&&(W="focusM")||i.set===void 0&&(W=
"set")||i.metered===void 0&&(W="metered")||i.kelvin===void 0&&(W="kelvin")||i.result===void 0&&(W="result")||i.files===void 0&&(W="files")||i.place===void 0&&(W=
"place")||i.made===void 0&&(W="made"))return c.errors=[{}],!1;if(i.version!==void 0){let n=i.version;const P=e;if(!(typeof n=="number"&&isFinite(n)))return c.errors=
[{}],!1;if(n!==3)return c.errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.id!==void 0){let n=i.id;const P=e;if(e===P)if(typeof n=="string"){if(!De.test(n))return c.
errors=[{}],!1}else return c.errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.roll!==void 0){let n=i.roll;const P=e;if(e===P)if(typeof n=="string"){if(E(n)>64)
return c.errors=[{}],!1;if(E(n)<1)return c.errors=[{}],!1}else return c.errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.group!==void 0){const n=e;Q(i.group,
{instancePath:m+"/group",parentData:i,parentDataProperty:"group",rootData:v})||(r=r===null?Q.errors:r.concat(Q.errors),e=r.length);var s=n===e}else var s=!0;if(s){
if(i.timeMs!==void 0){const n=e;B(i.timeMs,{instancePath:m+"/timeMs",parentData:i,parentDataProperty:"timeMs",rootData:v})||(r=r===null?B.errors:r.concat(B.errors),
e=r.length);var s=n===e}else var s=!0;if(s){if(i.offsetMinutes!==void 0){let n=i.offsetMinutes;const P=e;if(!(typeof n=="number"&&!(n%1)&&!isNaN(n)&&isFinite(n)))
return c.errors=[{}],!1;if(e===P&&typeof n=="number"&&isFinite(n)){if(n>900||isNaN(n))return c.errors=[{}],!1;if(n<-900||isNaN(n))return c.errors=[{}],!1}var s=P===
e}else var s=!0;if(s){if(i.image!==void 0){let n=i.image;const P=e;if(e===P)if(n&&typeof n=="object"&&!Array.isArray(n)){let k;if(n.width===void 0&&(k="width")||
n.height===void 0&&(k="height")||n.kind===void 0&&(k="kind"))return c.errors=[{}],!1;if(n.width!==void 0){let o=n.width;const y=e;if(!(typeof o=="number"&&!(o%1)&&
!isNaN(o)&&isFinite(o)))return c.errors=[{}],!1;if(e===y&&typeof o=="number"&&isFinite(o)){if(o>65535||isNaN(o))return c.errors=[{}],!1;if(o<2||isNaN(o))return c.
errors=[{}],!1}var a=y===e}else var a=!0;if(a){if(n.height!==void 0){let o=n.height;const y=e;if(!(typeof o=="number"&&!(o%1)&&!isNaN(o)&&isFinite(o)))return c.
errors=[{}],!1;if(e===y&&typeof o=="number"&&isFinite(o)){if(o>65535||isNaN(o))return c.errors=[{}],!1;if(o<2||isNaN(o))return c.errors=[{}],!1}var a=y===e}else
var a=!0;if(a)if(n.kind!==void 0){let o=n.kind;const y=e;if(!(o==="mosaic"||o==="rgb"))return c.errors=[{}],!1;var a=y===e}else var a=!0}}else return c.errors=[
{}],!1;var s=P===e}else var s=!0;if(s){if(i.camera!==void 0){let n=i.camera;const P=e;if(e===P)if(typeof n=="string"){if(E(n)>200)return c.errors=[{}],!1}else return c.
errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.lens!==void 0){let n=i.lens;const P=e;if(e===P)if(typeof n=="string"){if(E(n)>200)return c.errors=[{}],!1}else
return c.errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.exposure!==void 0){let n=i.exposure;const P=e;if(e===P)if(n&&typeof n=="object"&&!Array.isArray(n)){
let k;if(n.shutterS===void 0&&(k="shutterS")||n.iso===void 0&&(k="iso")||n.apertureN===void 0&&(k="apertureN")||n.compensationEv===void 0&&(k="compensationEv"))
return c.errors=[{}],!1;if(n.shutterS!==void 0){let o=n.shutterS;const y=e,_=e;let F=!1;const h=e;if(e===h)if(typeof o=="number"&&isFinite(o)){if(o>1e6||isNaN(o)){
const N={};r===null?r=[N]:r.push(N),e++}else if(o<1e-9||isNaN(o)){const N={};r===null?r=[N]:r.push(N),e++}}else{const N={};r===null?r=[N]:r.push(N),e++}var f=h===
e;if(F=F||f,!F){const N=e;q(o,{instancePath:m+"/exposure/shutterS",parentData:n,parentDataProperty:"shutterS",rootData:v})||(r=r===null?q.errors:r.concat(q.errors),
e=r.length);var f=N===e;F=F||f}if(F)e=_,r!==null&&(_?r.length=_:r=null);else{const N={};return r===null?r=[N]:r.push(N),e++,c.errors=r,!1}var t=y===e}else var t=!0;
if(t){if(n.iso!==void 0){let o=n.iso;const y=e,_=e;let F=!1;const h=e;if(e===h)if(typeof o=="number"&&isFinite(o)){if(o>1e8||isNaN(o)){const x={};r===null?r=[x]:
r.push(x),e++}else if(o<.001||isNaN(o)){const x={};r===null?r=[x]:r.push(x),e++}}else{const x={};r===null?r=[x]:r.push(x),e++}var p=h===e;if(F=F||p,!F){const x=e;
q(o,{instancePath:m+"/exposure/iso",parentData:n,parentDataProperty:"iso",rootData:v})||(r=r===null?q.errors:r.concat(q.errors),e=r.length);var p=x===e;F=F||p}if(F)
e=_,r!==null&&(_?r.length=_:r=null);else{const x={};return r===null?r=[x]:r.push(x),e++,c.errors=r,!1}var t=y===e}else var t=!0;if(t){if(n.apertureN!==void 0){let o=n.
apertureN;const y=e,_=e;let F=!1;const h=e;if(e===h)if(typeof o=="number"&&isFinite(o)){if(o>1e3||isNaN(o)){const x={};r===null?r=[x]:r.push(x),e++}else if(o<.1||
isNaN(o)){const x={};r===null?r=[x]:r.push(x),e++}}else{const x={};r===null?r=[x]:r.push(x),e++}var A=h===e;if(F=F||A,!F){const x=e;q(o,{instancePath:m+"/exposu\
re/apertureN",parentData:n,parentDataProperty:"apertureN",rootData:v})||(r=r===null?q.errors:r.concat(q.errors),e=r.length);var A=x===e;F=F||A}if(F)e=_,r!==null&&
(_?r.length=_:r=null);else{const x={};return r===null?r=[x]:r.push(x),e++,c.errors=r,!1}var t=y===e}else var t=!0;if(t)if(n.compensationEv!==void 0){let o=n.compensationEv;
const y=e;if(e===y)if(typeof o=="number"&&isFinite(o)){if(o>20||isNaN(o))return c.errors=[{}],!1;if(o<-20||isNaN(o))return c.errors=[{}],!1}else return c.errors=
[{}],!1;var t=y===e}else var t=!0}}}else return c.errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.focusM!==void 0){let n=i.focusM;const P=e,K=e;let k=!1;const o=e;
he(n,{instancePath:m+"/focusM",parentData:i,parentDataProperty:"focusM",rootData:v})||(r=r===null?he.errors:r.concat(he.errors),e=r.length);var M=o===e;if(k=k||
M,!k){const _=e;q(n,{instancePath:m+"/focusM",parentData:i,parentDataProperty:"focusM",rootData:v})||(r=r===null?q.errors:r.concat(q.errors),e=r.length);var M=_===
e;k=k||M}if(k)e=K,r!==null&&(K?r.length=K:r=null);else{const _={};return r===null?r=[_]:r.push(_),e++,c.errors=r,!1}var s=P===e}else var s=!0;if(s){if(i.set!==void 0){
let n=i.set;const P=e;if(e===P)if(n&&typeof n=="object"&&!Array.isArray(n)){const k=e;for(const o in n)if(!ke.call(Pe.properties.set.properties,o)){return c.errors=
[{}],!1;break}if(k===e){if(n.shutter!==void 0){const o=e;T(n.shutter,{instancePath:m+"/set/shutter",parentData:n,parentDataProperty:"shutter",rootData:v})||(r=r===
null?T.errors:r.concat(T.errors),e=r.length);var l=o===e}else var l=!0;if(l){if(n.iso!==void 0){const o=e;T(n.iso,{instancePath:m+"/set/iso",parentData:n,parentDataProperty:"\
iso",rootData:v})||(r=r===null?T.errors:r.concat(T.errors),e=r.length);var l=o===e}else var l=!0;if(l){if(n.aperture!==void 0){const o=e;T(n.aperture,{instancePath:m+
"/set/aperture",parentData:n,parentDataProperty:"aperture",rootData:v})||(r=r===null?T.errors:r.concat(T.errors),e=r.length);var l=o===e}else var l=!0;if(l){if(n.
compensationEv!==void 0){let o=n.compensationEv;const y=e;if(e===y)if(typeof o=="number"&&isFinite(o)){if(o>5||isNaN(o))return c.errors=[{}],!1;if(o<-5||isNaN(o))
return c.errors=[{}],!1}else return c.errors=[{}],!1;var l=y===e}else var l=!0;if(l){if(n.focus!==void 0){const o=e;re(n.focus,{instancePath:m+"/set/focus",parentData:n,
parentDataProperty:"focus",rootData:v})||(r=r===null?re.errors:r.concat(re.errors),e=r.length);var l=o===e}else var l=!0;if(l){if(n.cut!==void 0){const o=e;ae(n.
cut,{instancePath:m+"/set/cut",parentData:n,parentDataProperty:"cut",rootData:v})||(r=r===null?ae.errors:r.concat(ae.errors),e=r.length);var l=o===e}else var l=!0;
if(l){if(n.meter!==void 0){const o=e;oe(n.meter,{instancePath:m+"/set/meter",parentData:n,parentDataProperty:"meter",rootData:v})||(r=r===null?oe.errors:r.concat(
oe.errors),e=r.length);var l=o===e}else var l=!0;if(l){if(n.rules!==void 0){const o=e;G(n.rules,{instancePath:m+"/set/rules",parentData:n,parentDataProperty:"ru\
les",rootData:v})||(r=r===null?G.errors:r.concat(G.errors),e=r.length);var l=o===e}else var l=!0;if(l){if(n.filterStops!==void 0){let o=n.filterStops;const y=e;
if(e===y)if(typeof o=="number"&&isFinite(o)){if(o>20||isNaN(o))return c.errors=[{}],!1;if(o<0||isNaN(o))return c.errors=[{}],!1}else return c.errors=[{}],!1;var l=y===
e}else var l=!0;if(l){if(n.delayS!==void 0){let o=n.delayS;const y=e;if(!(o===0||o===2||o===3||o===5||o===10||o===20))return c.errors=[{}],!1;var l=y===e}else var l=!0;
if(l){if(n.bracket!==void 0){const o=e;V(n.bracket,{instancePath:m+"/set/bracket",parentData:n,parentDataProperty:"bracket",rootData:v})||(r=r===null?V.errors:r.
concat(V.errors),e=r.length);var l=o===e}else var l=!0;if(l){if(n.burst!==void 0){const o=e;X(n.burst,{instancePath:m+"/set/burst",parentData:n,parentDataProperty:"\
burst",rootData:v})||(r=r===null?X.errors:r.concat(X.errors),e=r.length);var l=o===e}else var l=!0;if(l){if(n.files!==void 0){const o=e;ie(n.files,{instancePath:m+
"/set/files",parentData:n,parentDataProperty:"files",rootData:v})||(r=r===null?ie.errors:r.concat(ie.errors),e=r.length);var l=o===e}else var l=!0;if(l){if(n.white!==
void 0){const o=e;Y(n.white,{instancePath:m+"/set/white",parentData:n,parentDataProperty:"white",rootData:v})||(r=r===null?Y.errors:r.concat(Y.errors),e=r.length);
var l=o===e}else var l=!0;if(l){if(n.zoom!==void 0){let o=n.zoom;const y=e;if(e===y)if(typeof o=="number"&&isFinite(o)){if(o>100||isNaN(o))return c.errors=[{}],
!1;if(o<1||isNaN(o))return c.errors=[{}],!1}else return c.errors=[{}],!1;var l=y===e}else var l=!0;if(l){if(n.torch!==void 0){const o=e;if(typeof n.torch!="bool\
ean")return c.errors=[{}],!1;var l=o===e}else var l=!0;if(l){if(n.pictures!==void 0){let o=n.pictures;const y=e;if(!(typeof o=="number"&&!(o%1)&&!isNaN(o)&&isFinite(
o)))return c.errors=[{}],!1;if(e===y&&typeof o=="number"&&isFinite(o)){if(o>64||isNaN(o))return c.errors=[{}],!1;if(o<0||isNaN(o))return c.errors=[{}],!1}var l=y===
e}else var l=!0;if(l)if(n.print!==void 0){const o=e;ce(n.print,{instancePath:m+"/set/print",parentData:n,parentDataProperty:"print",rootData:v})||(r=r===null?ce.
errors:r.concat(ce.errors),e=r.length);var l=o===e}else var l=!0}}}}}}}}}}}}}}}}}}else return c.errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.metered!==void 0){
let n=i.metered;const P=e;if(e===P)if(n&&typeof n=="object"&&!Array.isArray(n)){let k;if(n.pattern===void 0&&(k="pattern")||n.ev100===void 0&&(k="ev100"))return c.
errors=[{}],!1;if(n.pattern!==void 0){let o=n.pattern;const y=e;if(!(o==="whole"||o==="centre"||o==="spot"||o==="highlight"))return c.errors=[{}],!1;var D=y===e}else
var D=!0;if(D)if(n.ev100!==void 0){const o=e;ge(n.ev100,{instancePath:m+"/metered/ev100",parentData:n,parentDataProperty:"ev100",rootData:v})||(r=r===null?ge.errors:
r.concat(ge.errors),e=r.length);var D=o===e}else var D=!0}else return c.errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.kelvin!==void 0){let n=i.kelvin;const P=e,
K=e;let k=!1;const o=e;if(e===o)if(typeof n=="number"&&isFinite(n)){if(n>1e6||isNaN(n)){const _={};r===null?r=[_]:r.push(_),e++}else if(n<100||isNaN(n)){const _={};
r===null?r=[_]:r.push(_),e++}}else{const _={};r===null?r=[_]:r.push(_),e++}var b=o===e;if(k=k||b,!k){const _=e;q(n,{instancePath:m+"/kelvin",parentData:i,parentDataProperty:"\
kelvin",rootData:v})||(r=r===null?q.errors:r.concat(q.errors),e=r.length);var b=_===e;k=k||b}if(k)e=K,r!==null&&(K?r.length=K:r=null);else{const _={};return r===
null?r=[_]:r.push(_),e++,c.errors=r,!1}var s=P===e}else var s=!0;if(s){if(i.tint!==void 0){let n=i.tint;const P=e;if(e===P)if(typeof n=="number"&&isFinite(n)){if(n>
1e3||isNaN(n))return c.errors=[{}],!1;if(n<-1e3||isNaN(n))return c.errors=[{}],!1}else return c.errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.held!==void 0){
const n=e;se(i.held,{instancePath:m+"/held",parentData:i,parentDataProperty:"held",rootData:v})||(r=r===null?se.errors:r.concat(se.errors),e=r.length);var s=n===
e}else var s=!0;if(s){if(i.credit!==void 0){const n=e;ue(i.credit,{instancePath:m+"/credit",parentData:i,parentDataProperty:"credit",rootData:v})||(r=r===null?ue.
errors:r.concat(ue.errors),e=r.length);var s=n===e}else var s=!0;if(s){if(i.position!==void 0){const n=e;z(i.position,{instancePath:m+"/position",parentData:i,parentDataProperty:"\
position",rootData:v})||(r=r===null?z.errors:r.concat(z.errors),e=r.length);var s=n===e}else var s=!0;if(s){if(i.rewhite!==void 0){let n=i.rewhite;const P=e;if(e===
P)if(n&&typeof n=="object"&&!Array.isArray(n)){let k;if(n.kelvin===void 0&&(k="kelvin")||n.tint===void 0&&(k="tint"))return c.errors=[{}],!1;if(n.kelvin!==void 0){
let o=n.kelvin;const y=e;if(e===y)if(typeof o=="number"&&isFinite(o)){if(o>1e6||isNaN(o))return c.errors=[{}],!1;if(o<1e3||isNaN(o))return c.errors=[{}],!1}else
return c.errors=[{}],!1;var w=y===e}else var w=!0;if(w)if(n.tint!==void 0){let o=n.tint;const y=e;if(e===y)if(typeof o=="number"&&isFinite(o)){if(o>1e3||isNaN(o))
return c.errors=[{}],!1;if(o<-1e3||isNaN(o))return c.errors=[{}],!1}else return c.errors=[{}],!1;var w=y===e}else var w=!0}else return c.errors=[{}],!1;var s=P===
e}else var s=!0;if(s){if(i.verdict!==void 0){let n=i.verdict;const P=e;if(!(n==="kept"||n==="dropped"))return c.errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.
rating!==void 0){let n=i.rating;const P=e;if(!(typeof n=="number"&&!(n%1)&&!isNaN(n)&&isFinite(n)))return c.errors=[{}],!1;if(e===P&&typeof n=="number"&&isFinite(
n)){if(n>5||isNaN(n))return c.errors=[{}],!1;if(n<1||isNaN(n))return c.errors=[{}],!1}var s=P===e}else var s=!0;if(s){if(i.print!==void 0){const n=e;ce(i.print,
{instancePath:m+"/print",parentData:i,parentDataProperty:"print",rootData:v})||(r=r===null?ce.errors:r.concat(ce.errors),e=r.length);var s=n===e}else var s=!0;if(s){
if(i.reframe!==void 0){let n=i.reframe;const P=e;if(e===P)if(n&&typeof n=="object"&&!Array.isArray(n)){let k;if(n.lines===void 0&&(k="lines")||n.orientation===void 0&&
(k="orientation")||n.tiltDeg===void 0&&(k="tiltDeg"))return c.errors=[{}],!1;{const o=e;for(const y in n)if(!(y==="lines"||y==="orientation"||y==="tiltDeg")){return c.
errors=[{}],!1;break}if(o===e){if(n.lines!==void 0){let y=n.lines;const _=e;if(e===_)if(y&&typeof y=="object"&&!Array.isArray(y)){let F;if(y.x===void 0&&(F="x")||
y.y===void 0&&(F="y")||y.width===void 0&&(F="width")||y.height===void 0&&(F="height"))return c.errors=[{}],!1;if(y.x!==void 0){let h=y.x;const N=e;if(!(typeof h==
"number"&&!(h%1)&&!isNaN(h)&&isFinite(h)))return c.errors=[{}],!1;if(e===N&&typeof h=="number"&&isFinite(h)){if(h>65535||isNaN(h))return c.errors=[{}],!1;if(h<0||
isNaN(h))return c.errors=[{}],!1}var d=N===e}else var d=!0;if(d){if(y.y!==void 0){let h=y.y;const N=e;if(!(typeof h=="number"&&!(h%1)&&!isNaN(h)&&isFinite(h)))return c.
errors=[{}],!1;if(e===N&&typeof h=="number"&&isFinite(h)){if(h>65535||isNaN(h))return c.errors=[{}],!1;if(h<0||isNaN(h))return c.errors=[{}],!1}var d=N===e}else
var d=!0;if(d){if(y.width!==void 0){let h=y.width;const N=e;if(!(typeof h=="number"&&!(h%1)&&!isNaN(h)&&isFinite(h)))return c.errors=[{}],!1;if(e===N&&typeof h==
"number"&&isFinite(h)){if(h>65535||isNaN(h))return c.errors=[{}],!1;if(h<1||isNaN(h))return c.errors=[{}],!1}var d=N===e}else var d=!0;if(d)if(y.height!==void 0){
let h=y.height;const N=e;if(!(typeof h=="number"&&!(h%1)&&!isNaN(h)&&isFinite(h)))return c.errors=[{}],!1;if(e===N&&typeof h=="number"&&isFinite(h)){if(h>65535||
isNaN(h))return c.errors=[{}],!1;if(h<1||isNaN(h))return c.errors=[{}],!1}var d=N===e}else var d=!0}}}else return c.errors=[{}],!1;var u=_===e}else var u=!0;if(u){
if(n.orientation!==void 0){let y=n.orientation;const _=e;if(!(y===1||y===2||y===3||y===4||y===5||y===6||y===7||y===8))return c.errors=[{}],!1;var u=_===e}else var u=!0;
if(u)if(n.tiltDeg!==void 0){let y=n.tiltDeg;const _=e;if(e===_)if(typeof y=="number"&&isFinite(y)){if(y>45||isNaN(y))return c.errors=[{}],!1;if(y<-45||isNaN(y))
return c.errors=[{}],!1}else return c.errors=[{}],!1;var u=_===e}else var u=!0}}}}else return c.errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.shakePx!==void 0){
let n=i.shakePx;const P=e;if(e===P)if(typeof n=="number"&&isFinite(n)){if(n>1e6||isNaN(n))return c.errors=[{}],!1;if(n<0||isNaN(n))return c.errors=[{}],!1}else return c.
errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.forecast!==void 0){const n=e;O(i.forecast,{instancePath:m+"/forecast",parentData:i,parentDataProperty:"forec\
ast",rootData:v})||(r=r===null?O.errors:r.concat(O.errors),e=r.length);var s=n===e}else var s=!0;if(s){if(i.result!==void 0){let n=i.result;const P=e,K=e;let k=!1;
const o=e;O(n,{instancePath:m+"/result",parentData:i,parentDataProperty:"result",rootData:v})||(r=r===null?O.errors:r.concat(O.errors),e=r.length);var j=o===e;if(k=
k||j,!k){const _=e;q(n,{instancePath:m+"/result",parentData:i,parentDataProperty:"result",rootData:v})||(r=r===null?q.errors:r.concat(q.errors),e=r.length);var j=_===
e;k=k||j}if(k)e=K,r!==null&&(K?r.length=K:r=null);else{const _={};return r===null?r=[_]:r.push(_),e++,c.errors=r,!1}var s=P===e}else var s=!0;if(s){if(i.files!==
void 0){let n=i.files;const P=e;if(e===P)if(Array.isArray(n)){if(n.length>8)return c.errors=[{}],!1;if(n.length<1)return c.errors=[{}],!1;{var R=!0;const k=n.length;
for(let o=0;o<k;o++){let y=n[o];const _=e;if(e===_)if(y&&typeof y=="object"&&!Array.isArray(y)){let h;if(y.format===void 0&&(h="format")||y.bytes===void 0&&(h="\
bytes")||y.sha256===void 0&&(h="sha256"))return c.errors=[{}],!1;if(y.format!==void 0){let N=y.format;const x=e;if(!(N==="dng"||N==="jpeg"||N==="tiff"||N==="png"))
return c.errors=[{}],!1;var S=x===e}else var S=!0;if(S){if(y.bytes!==void 0){let N=y.bytes;const x=e;if(!(typeof N=="number"&&!(N%1)&&!isNaN(N)&&isFinite(N)))return c.
errors=[{}],!1;if(e===x&&typeof N=="number"&&isFinite(N)){if(N>1099511627776||isNaN(N))return c.errors=[{}],!1;if(N<1||isNaN(N))return c.errors=[{}],!1}var S=x===
e}else var S=!0;if(S)if(y.sha256!==void 0){let N=y.sha256;const x=e,C=e;let $=!1;const ye=e;if(e===ye)if(typeof N=="string"){if(!Fe.test(N)){const me={};r===null?
r=[me]:r.push(me),e++}}else{const me={};r===null?r=[me]:r.push(me),e++}var Z=ye===e;if($=$||Z,!$){const me=e;q(N,{instancePath:m+"/files/"+o+"/sha256",parentData:y,
parentDataProperty:"sha256",rootData:v})||(r=r===null?q.errors:r.concat(q.errors),e=r.length);var Z=me===e;$=$||Z}if($)e=C,r!==null&&(C?r.length=C:r=null);else{
const me={};return r===null?r=[me]:r.push(me),e++,c.errors=r,!1}var S=x===e}else var S=!0}}else return c.errors=[{}],!1;var R=_===e;if(!R)break}}}else return c.
errors=[{}],!1;var s=P===e}else var s=!0;if(s){if(i.place!==void 0){let n=i.place;const P=e,K=e;let k=!1;const o=e;if(e===o)if(n&&typeof n=="object"&&!Array.isArray(
n)){let _;if(n.kind===void 0&&(_="kind")){const F={};r===null?r=[F]:r.push(F),e++}else if(n.kind!==void 0){let F=n.kind;if(typeof F!="string"){const h={};r===null?
r=[h]:r.push(h),e++}if(F!=="stored"){const h={};r===null?r=[h]:r.push(h),e++}}}else{const _={};r===null?r=[_]:r.push(_),e++}var H=o===e;if(k=k||H,!k){const _=e;
if(e===_)if(n&&typeof n=="object"&&!Array.isArray(n)){let h;if(n.kind===void 0&&(h="kind")||n.url===void 0&&(h="url")){const N={};r===null?r=[N]:r.push(N),e++}else{
if(n.kind!==void 0){let N=n.kind;const x=e;if(typeof N!="string"){const C={};r===null?r=[C]:r.push(C),e++}if(N!=="served"){const C={};r===null?r=[C]:r.push(C),e++}
var de=x===e}else var de=!0;if(de)if(n.url!==void 0){let N=n.url;const x=e;if(e===x)if(typeof N=="string"){if(E(N)>2e3){const $={};r===null?r=[$]:r.push($),e++}}else{
const $={};r===null?r=[$]:r.push($),e++}var de=x===e}else var de=!0}}else{const h={};r===null?r=[h]:r.push(h),e++}var H=_===e;k=k||H}if(k)e=K,r!==null&&(K?r.length=
K:r=null);else{const _={};return r===null?r=[_]:r.push(_),e++,c.errors=r,!1}var s=P===e}else var s=!0;if(s)if(i.made!==void 0){let n=i.made;const P=e,K=e;let k=!1;
const o=e;if(e===o)if(n&&typeof n=="object"&&!Array.isArray(n)){let _;if(n.kind===void 0&&(_="kind")||n.scene===void 0&&(_="scene")||n.seed===void 0&&(_="seed")||
n.lensId===void 0&&(_="lensId")||n.outside===void 0&&(_="outside")||n.clockS===void 0&&(_="clockS")){const F={};r===null?r=[F]:r.push(F),e++}else{if(n.kind!==void 0){
let F=n.kind;const h=e;if(typeof F!="string"){const N={};r===null?r=[N]:r.push(N),e++}if(F!=="simulated"){const N={};r===null?r=[N]:r.push(N),e++}var J=h===e}else
var J=!0;if(J){if(n.scene!==void 0){let F=n.scene;const h=e;if(e===h)if(typeof F=="string"){if(E(F)>200){const x={};r===null?r=[x]:r.push(x),e++}}else{const x={};
r===null?r=[x]:r.push(x),e++}var J=h===e}else var J=!0;if(J){if(n.seed!==void 0){let F=n.seed;const h=e;if(!(typeof F=="number"&&!(F%1)&&!isNaN(F)&&isFinite(F))){
const x={};r===null?r=[x]:r.push(x),e++}if(e===h&&typeof F=="number"&&isFinite(F)){if(F>9007199254740991||isNaN(F)){const x={};r===null?r=[x]:r.push(x),e++}else if(F<
-9007199254740991||isNaN(F)){const x={};r===null?r=[x]:r.push(x),e++}}var J=h===e}else var J=!0;if(J){if(n.lensId!==void 0){const F=e;Ne(n.lensId,{instancePath:m+
"/made/lensId",parentData:n,parentDataProperty:"lensId",rootData:v})||(r=r===null?Ne.errors:r.concat(Ne.errors),e=r.length);var J=F===e}else var J=!0;if(J){if(n.
outside!==void 0){const F=e;te(n.outside,{instancePath:m+"/made/outside",parentData:n,parentDataProperty:"outside",rootData:v})||(r=r===null?te.errors:r.concat(
te.errors),e=r.length);var J=F===e}else var J=!0;if(J)if(n.clockS!==void 0){const F=e;ve(n.clockS,{instancePath:m+"/made/clockS",parentData:n,parentDataProperty:"\
clockS",rootData:v})||(r=r===null?ve.errors:r.concat(ve.errors),e=r.length);var J=F===e}else var J=!0}}}}}}else{const _={};r===null?r=[_]:r.push(_),e++}var le=o===
e;if(k=k||le,!k){const _=e;if(e===_)if(n&&typeof n=="object"&&!Array.isArray(n)){let h;if(n.kind===void 0&&(h="kind")||n.device===void 0&&(h="device")||n.pictures===
void 0&&(h="pictures")){const N={};r===null?r=[N]:r.push(N),e++}else{if(n.kind!==void 0){let N=n.kind;const x=e;if(typeof N!="string"){const C={};r===null?r=[C]:
r.push(C),e++}if(N!=="browser"){const C={};r===null?r=[C]:r.push(C),e++}var be=x===e}else var be=!0;if(be){if(n.device!==void 0){let N=n.device;const x=e;if(e===
x)if(typeof N=="string"){if(E(N)>200){const $={};r===null?r=[$]:r.push($),e++}}else{const $={};r===null?r=[$]:r.push($),e++}var be=x===e}else var be=!0;if(be)if(n.
pictures!==void 0){let N=n.pictures;const x=e;if(!(typeof N=="number"&&!(N%1)&&!isNaN(N)&&isFinite(N))){const $={};r===null?r=[$]:r.push($),e++}if(e===x&&typeof N==
"number"&&isFinite(N)){if(N>64||isNaN(N)){const $={};r===null?r=[$]:r.push($),e++}else if(N<1||isNaN(N)){const $={};r===null?r=[$]:r.push($),e++}}var be=x===e}else
var be=!0}}}else{const h={};r===null?r=[h]:r.push(h),e++}var le=_===e;if(k=k||le,!k){const h=e;if(e===h)if(n&&typeof n=="object"&&!Array.isArray(n)){let x;if(n.
kind===void 0&&(x="kind")||n.file===void 0&&(x="file")){const C={};r===null?r=[C]:r.push(C),e++}else{if(n.kind!==void 0){let C=n.kind;const $=e;if(typeof C!="st\
ring"){const ye={};r===null?r=[ye]:r.push(ye),e++}if(C!=="imported"){const ye={};r===null?r=[ye]:r.push(ye),e++}var xe=$===e}else var xe=!0;if(xe)if(n.file!==void 0){
let C=n.file;const $=e;if(e===$)if(typeof C=="string"){if(E(C)>200){const _e={};r===null?r=[_e]:r.push(_e),e++}}else{const _e={};r===null?r=[_e]:r.push(_e),e++}
var xe=$===e}else var xe=!0}}else{const x={};r===null?r=[x]:r.push(x),e++}var le=h===e;k=k||le}}if(k)e=K,r!==null&&(K?r.length=K:r=null);else{const _={};return r===
null?r=[_]:r.push(_),e++,c.errors=r,!1}var s=P===e}else var s=!0}}}}}}}}}}}}}}}}}}}}}}}}}}}}else return c.errors=[{}],!1;return c.errors=r,e===0}exports.isLatent=
g;const je={type:"object",required:["version","id","roll","timeMs","offsetMinutes","set","meteredEv100","settings","lensId","scene","outside","clockS","seed","o\
rientation","focusM","press","sinceTouchS"],properties:{version:{const:1,type:"number"},by:{enum:["expose"]},id:{pattern:"^[0-9a-f]{32}$",type:"string"},roll:{minLength:1,
maxLength:64,type:"string"},group:{$ref:"part0"},timeMs:{$ref:"part1"},offsetMinutes:{minimum:-900,maximum:900,type:"integer"},set:{additionalProperties:!1,type:"\
object",properties:{shutter:{$ref:"part4"},iso:{$ref:"part4"},aperture:{$ref:"part4"},compensationEv:{minimum:-5,maximum:5,type:"number"},focus:{$ref:"part5"},cut:{
$ref:"part6"},meter:{$ref:"part7"},rules:{$ref:"part8"},filterStops:{minimum:0,maximum:20,type:"number"},delayS:{enum:[0,2,3,5,10,20]},bracket:{$ref:"part10"},burst:{
$ref:"part11"},files:{$ref:"part12"},white:{$ref:"part13"},zoom:{minimum:1,maximum:100,type:"number"},torch:{type:"boolean"},pictures:{minimum:0,maximum:64,type:"\
integer"},print:{$ref:"part14"}},required:["meter"]},meteredEv100:{$ref:"part15"},focusedAt:{type:"object",required:["x","y"],properties:{x:{minimum:0,maximum:1,
type:"number"},y:{minimum:0,maximum:1,type:"number"},side:{minimum:0,maximum:1,type:"number"}}},held:{$ref:"part16"},credit:{$ref:"part17"},position:{$ref:"part\
19"},settings:{type:"object",required:["shutterS","iso","apertureN","compensationEv"],properties:{shutterS:{exclusiveMinimum:0,maximum:1e9,type:"number"},iso:{exclusiveMinimum:0,
maximum:1e9,type:"number"},apertureN:{exclusiveMinimum:0,maximum:1e9,type:"number"},compensationEv:{minimum:-20,maximum:20,type:"number"},filterStops:{minimum:0,
maximum:40,type:"number"}}},lensId:{$ref:"part21"},scene:{maxLength:200,type:"string"},outside:{$ref:"part22"},clockS:{$ref:"part23"},seed:{minimum:0,maximum:4294967295,
type:"integer"},orientation:{enum:["portrait","landscape"]},focusM:{$ref:"part3"},press:{minimum:0,maximum:1,type:"number"},sinceTouchS:{minimum:0,maximum:1e6,type:"\
number"},white:{type:"object",required:["kelvin","tint","neutral"],properties:{kelvin:{minimum:100,maximum:1e6,type:"number"},tint:{minimum:-1e3,maximum:1e3,type:"\
number"},neutral:{minItems:3,maxItems:3,type:"array",items:{exclusiveMinimum:0,maximum:1,type:"number"}}}},forecast:{$ref:"part20"}}};function g(i,{instancePath:m="",
parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let M;if(i.version===void 0&&(M="versio\
n")||i.id===void 0&&(M="id")||i.roll===void 0&&(M="roll")||i.timeMs===void 0&&(M="timeMs")||i.offsetMinutes===void 0&&(M="offsetMinutes")||i.set===void 0&&(M="s\
et")||i.meteredEv100===void 0&&(M="meteredEv100")||i.settings===void 0&&(M="settings")||i.lensId===void 0&&(M="lensId")||i.scene===void 0&&(M="scene")||i.outside===
void 0&&(M="outside")||i.clockS===void 0&&(M="clockS")||i.seed===void 0&&(M="seed")||i.orientation===void 0&&(M="orientation")||i.focusM===void 0&&(M="focusM")||
i.press===void 0&&(M="press")||i.sinceTouchS===void 0&&(M="sinceTouchS"))return g.errors=[{}],!1;if(i.version!==void 0){let l=i.version;const D=e;if(!(typeof l==
"number"&&isFinite(l)))return g.errors=[{}],!1;if(l!==1)return g.errors=[{}],!1;var s=D===e}else var s=!0;if(s){if(i.by!==void 0){const l=e;if(i.by!=="expose")return g.
errors=[{}],!1;var s=l===e}else var s=!0;if(s){if(i.id!==void 0){let l=i.id;const D=e;if(e===D)if(typeof l=="string"){if(!De.test(l))return g.errors=[{}],!1}else
return g.errors=[{}],!1;var s=D===e}else var s=!0;if(s){if(i.roll!==void 0){let l=i.roll;const D=e;if(e===D)if(typeof l=="string"){if(E(l)>64)return g.errors=[{}],
!1;if(E(l)<1)return g.errors=[{}],!1}else return g.errors=[{}],!1;var s=D===e}else var s=!0;if(s){if(i.group!==void 0){const l=e;Q(i.group,{instancePath:m+"/gro\
up",parentData:i,parentDataProperty:"group",rootData:v})||(r=r===null?Q.errors:r.concat(Q.errors),e=r.length);var s=l===e}else var s=!0;if(s){if(i.timeMs!==void 0){
const l=e;B(i.timeMs,{instancePath:m+"/timeMs",parentData:i,parentDataProperty:"timeMs",rootData:v})||(r=r===null?B.errors:r.concat(B.errors),e=r.length);var s=l===
e}else var s=!0;if(s){if(i.offsetMinutes!==void 0){let l=i.offsetMinutes;const D=e;if(!(typeof l=="number"&&!(l%1)&&!isNaN(l)&&isFinite(l)))return g.errors=[{}],
!1;if(e===D&&typeof l=="number"&&isFinite(l)){if(l>900||isNaN(l))return g.errors=[{}],!1;if(l<-900||isNaN(l))return g.errors=[{}],!1}var s=D===e}else var s=!0;if(s){
if(i.set!==void 0){let l=i.set;const D=e;if(e===D)if(l&&typeof l=="object"&&!Array.isArray(l)){let w;if(l.meter===void 0&&(w="meter"))return g.errors=[{}],!1;{const d=e;
for(const u in l)if(!ke.call(je.properties.set.properties,u)){return g.errors=[{}],!1;break}if(d===e){if(l.shutter!==void 0){const u=e;T(l.shutter,{instancePath:m+
"/set/shutter",parentData:l,parentDataProperty:"shutter",rootData:v})||(r=r===null?T.errors:r.concat(T.errors),e=r.length);var a=u===e}else var a=!0;if(a){if(l.
iso!==void 0){const u=e;T(l.iso,{instancePath:m+"/set/iso",parentData:l,parentDataProperty:"iso",rootData:v})||(r=r===null?T.errors:r.concat(T.errors),e=r.length);
var a=u===e}else var a=!0;if(a){if(l.aperture!==void 0){const u=e;T(l.aperture,{instancePath:m+"/set/aperture",parentData:l,parentDataProperty:"aperture",rootData:v})||
(r=r===null?T.errors:r.concat(T.errors),e=r.length);var a=u===e}else var a=!0;if(a){if(l.compensationEv!==void 0){let u=l.compensationEv;const j=e;if(e===j)if(typeof u==
"number"&&isFinite(u)){if(u>5||isNaN(u))return g.errors=[{}],!1;if(u<-5||isNaN(u))return g.errors=[{}],!1}else return g.errors=[{}],!1;var a=j===e}else var a=!0;
if(a){if(l.focus!==void 0){const u=e;re(l.focus,{instancePath:m+"/set/focus",parentData:l,parentDataProperty:"focus",rootData:v})||(r=r===null?re.errors:r.concat(
re.errors),e=r.length);var a=u===e}else var a=!0;if(a){if(l.cut!==void 0){const u=e;ae(l.cut,{instancePath:m+"/set/cut",parentData:l,parentDataProperty:"cut",rootData:v})||
(r=r===null?ae.errors:r.concat(ae.errors),e=r.length);var a=u===e}else var a=!0;if(a){if(l.meter!==void 0){const u=e;oe(l.meter,{instancePath:m+"/set/meter",parentData:l,
parentDataProperty:"meter",rootData:v})||(r=r===null?oe.errors:r.concat(oe.errors),e=r.length);var a=u===e}else var a=!0;if(a){if(l.rules!==void 0){const u=e;G(
l.rules,{instancePath:m+"/set/rules",parentData:l,parentDataProperty:"rules",rootData:v})||(r=r===null?G.errors:r.concat(G.errors),e=r.length);var a=u===e}else var a=!0;
if(a){if(l.filterStops!==void 0){let u=l.filterStops;const j=e;if(e===j)if(typeof u=="number"&&isFinite(u)){if(u>20||isNaN(u))return g.errors=[{}],!1;if(u<0||isNaN(
u))return g.errors=[{}],!1}else return g.errors=[{}],!1;var a=j===e}else var a=!0;if(a){if(l.delayS!==void 0){let u=l.delayS;const j=e;if(!(u===0||u===2||u===3||
u===5||u===10||u===20))return g.errors=[{}],!1;var a=j===e}else var a=!0;if(a){if(l.bracket!==void 0){const u=e;V(l.bracket,{instancePath:m+"/set/bracket",parentData:l,
parentDataProperty:"bracket",rootData:v})||(r=r===null?V.errors:r.concat(V.errors),e=r.length);var a=u===e}else var a=!0;if(a){if(l.burst!==void 0){const u=e;X(
l.burst,{instancePath:m+"/set/burst",parentData:l,parentDataProperty:"burst",rootData:v})||(r=r===null?X.errors:r.concat(X.errors),e=r.length);var a=u===e}else var a=!0;
if(a){if(l.files!==void 0){const u=e;ie(l.files,{instancePath:m+"/set/files",parentData:l,parentDataProperty:"files",rootData:v})||(r=r===null?ie.errors:r.concat(
ie.errors),e=r.length);var a=u===e}else var a=!0;if(a){if(l.white!==void 0){const u=e;Y(l.white,{instancePath:m+"/set/white",parentData:l,parentDataProperty:"wh\
ite",rootData:v})||(r=r===null?Y.errors:r.concat(Y.errors),e=r.length);var a=u===e}else var a=!0;if(a){if(l.zoom!==void 0){let u=l.zoom;const j=e;if(e===j)if(typeof u==
"number"&&isFinite(u)){if(u>100||isNaN(u))return g.errors=[{}],!1;if(u<1||isNaN(u))return g.errors=[{}],!1}else return g.errors=[{}],!1;var a=j===e}else var a=!0;
if(a){if(l.torch!==void 0){const u=e;if(typeof l.torch!="boolean")return g.errors=[{}],!1;var a=u===e}else var a=!0;if(a){if(l.pictures!==void 0){let u=l.pictures;
const j=e;if(!(typeof u=="number"&&!(u%1)&&!isNaN(u)&&isFinite(u)))return g.errors=[{}],!1;if(e===j&&typeof u=="number"&&isFinite(u)){if(u>64||isNaN(u))return g.
errors=[{}],!1;if(u<0||isNaN(u))return g.errors=[{}],!1}var a=j===e}else var a=!0;if(a)if(l.print!==void 0){const u=e;ce(l.print,{instancePath:m+"/set/print",parentData:l,
parentDataProperty:"print",rootData:v})||(r=r===null?ce.errors:r.concat(ce.errors),e=r.length);var a=u===e}else var a=!0}}}}}}}}}}}}}}}}}}}else return g.errors=
[{}],!1;var s=D===e}else var s=!0;if(s){if(i.meteredEv100!==void 0){const l=e;ge(i.meteredEv100,{instancePath:m+"/meteredEv100",parentData:i,parentDataProperty:"\
meteredEv100",rootData:v})||(r=r===null?ge.errors:r.concat(ge.errors),e=r.length);var s=l===e}else var s=!0;if(s){if(i.focusedAt!==void 0){let l=i.focusedAt;const D=e;
if(e===D)if(l&&typeof l=="object"&&!Array.isArray(l)){let w;if(l.x===void 0&&(w="x")||l.y===void 0&&(w="y"))return g.errors=[{}],!1;if(l.x!==void 0){let d=l.x;const u=e;
if(e===u)if(typeof d=="number"&&isFinite(d)){if(d>1||isNaN(d))return g.errors=[{}],!1;if(d<0||isNaN(d))return g.errors=[{}],!1}else return g.errors=[{}],!1;var f=u===
e}else var f=!0;if(f){if(l.y!==void 0){let d=l.y;const u=e;if(e===u)if(typeof d=="number"&&isFinite(d)){if(d>1||isNaN(d))return g.errors=[{}],!1;if(d<0||isNaN(d))
return g.errors=[{}],!1}else return g.errors=[{}],!1;var f=u===e}else var f=!0;if(f)if(l.side!==void 0){let d=l.side;const u=e;if(e===u)if(typeof d=="number"&&isFinite(
d)){if(d>1||isNaN(d))return g.errors=[{}],!1;if(d<0||isNaN(d))return g.errors=[{}],!1}else return g.errors=[{}],!1;var f=u===e}else var f=!0}}else return g.errors=
[{}],!1;var s=D===e}else var s=!0;if(s){if(i.held!==void 0){const l=e;se(i.held,{instancePath:m+"/held",parentData:i,parentDataProperty:"held",rootData:v})||(r=
r===null?se.errors:r.concat(se.errors),e=r.length);var s=l===e}else var s=!0;if(s){if(i.credit!==void 0){const l=e;ue(i.credit,{instancePath:m+"/credit",parentData:i,
parentDataProperty:"credit",rootData:v})||(r=r===null?ue.errors:r.concat(ue.errors),e=r.length);var s=l===e}else var s=!0;if(s){if(i.position!==void 0){const l=e;
z(i.position,{instancePath:m+"/position",parentData:i,parentDataProperty:"position",rootData:v})||(r=r===null?z.errors:r.concat(z.errors),e=r.length);var s=l===
e}else var s=!0;if(s){if(i.settings!==void 0){let l=i.settings;const D=e;if(e===D)if(l&&typeof l=="object"&&!Array.isArray(l)){let w;if(l.shutterS===void 0&&(w=
"shutterS")||l.iso===void 0&&(w="iso")||l.apertureN===void 0&&(w="apertureN")||l.compensationEv===void 0&&(w="compensationEv"))return g.errors=[{}],!1;if(l.shutterS!==
void 0){let d=l.shutterS;const u=e;if(e===u)if(typeof d=="number"&&isFinite(d)){if(d>1e9||isNaN(d))return g.errors=[{}],!1;if(d<=0||isNaN(d))return g.errors=[{}],
!1}else return g.errors=[{}],!1;var t=u===e}else var t=!0;if(t){if(l.iso!==void 0){let d=l.iso;const u=e;if(e===u)if(typeof d=="number"&&isFinite(d)){if(d>1e9||
isNaN(d))return g.errors=[{}],!1;if(d<=0||isNaN(d))return g.errors=[{}],!1}else return g.errors=[{}],!1;var t=u===e}else var t=!0;if(t){if(l.apertureN!==void 0){
let d=l.apertureN;const u=e;if(e===u)if(typeof d=="number"&&isFinite(d)){if(d>1e9||isNaN(d))return g.errors=[{}],!1;if(d<=0||isNaN(d))return g.errors=[{}],!1}else
return g.errors=[{}],!1;var t=u===e}else var t=!0;if(t){if(l.compensationEv!==void 0){let d=l.compensationEv;const u=e;if(e===u)if(typeof d=="number"&&isFinite(
d)){if(d>20||isNaN(d))return g.errors=[{}],!1;if(d<-20||isNaN(d))return g.errors=[{}],!1}else return g.errors=[{}],!1;var t=u===e}else var t=!0;if(t)if(l.filterStops!==
void 0){let d=l.filterStops;const u=e;if(e===u)if(typeof d=="number"&&isFinite(d)){if(d>40||isNaN(d))return g.errors=[{}],!1;if(d<0||isNaN(d))return g.errors=[{}],
!1}else return g.errors=[{}],!1;var t=u===e}else var t=!0}}}}else return g.errors=[{}],!1;var s=D===e}else var s=!0;if(s){if(i.lensId!==void 0){const l=e;Ne(i.lensId,
{instancePath:m+"/lensId",parentData:i,parentDataProperty:"lensId",rootData:v})||(r=r===null?Ne.errors:r.concat(Ne.errors),e=r.length);var s=l===e}else var s=!0;
if(s){if(i.scene!==void 0){let l=i.scene;const D=e;if(e===D)if(typeof l=="string"){if(E(l)>200)return g.errors=[{}],!1}else return g.errors=[{}],!1;var s=D===e}else
var s=!0;if(s){if(i.outside!==void 0){const l=e;te(i.outside,{instancePath:m+"/outside",parentData:i,parentDataProperty:"outside",rootData:v})||(r=r===null?te.errors:
r.concat(te.errors),e=r.length);var s=l===e}else var s=!0;if(s){if(i.clockS!==void 0){const l=e;ve(i.clockS,{instancePath:m+"/clockS",parentData:i,parentDataProperty:"\
clockS",rootData:v})||(r=r===null?ve.errors:r.concat(ve.errors),e=r.length);var s=l===e}else var s=!0;if(s){if(i.seed!==void 0){let l=i.seed;const D=e;if(!(typeof l==
"number"&&!(l%1)&&!isNaN(l)&&isFinite(l)))return g.errors=[{}],!1;if(e===D&&typeof l=="number"&&isFinite(l)){if(l>4294967295||isNaN(l))return g.errors=[{}],!1;if(l<
0||isNaN(l))return g.errors=[{}],!1}var s=D===e}else var s=!0;if(s){if(i.orientation!==void 0){let l=i.orientation;const D=e;if(!(l==="portrait"||l==="landscape"))
return g.errors=[{}],!1;var s=D===e}else var s=!0;if(s){if(i.focusM!==void 0){const l=e;he(i.focusM,{instancePath:m+"/focusM",parentData:i,parentDataProperty:"f\
ocusM",rootData:v})||(r=r===null?he.errors:r.concat(he.errors),e=r.length);var s=l===e}else var s=!0;if(s){if(i.press!==void 0){let l=i.press;const D=e;if(e===D)
if(typeof l=="number"&&isFinite(l)){if(l>1||isNaN(l))return g.errors=[{}],!1;if(l<0||isNaN(l))return g.errors=[{}],!1}else return g.errors=[{}],!1;var s=D===e}else
var s=!0;if(s){if(i.sinceTouchS!==void 0){let l=i.sinceTouchS;const D=e;if(e===D)if(typeof l=="number"&&isFinite(l)){if(l>1e6||isNaN(l))return g.errors=[{}],!1;
if(l<0||isNaN(l))return g.errors=[{}],!1}else return g.errors=[{}],!1;var s=D===e}else var s=!0;if(s){if(i.white!==void 0){let l=i.white;const D=e;if(e===D)if(l&&
typeof l=="object"&&!Array.isArray(l)){let w;if(l.kelvin===void 0&&(w="kelvin")||l.tint===void 0&&(w="tint")||l.neutral===void 0&&(w="neutral"))return g.errors=
[{}],!1;if(l.kelvin!==void 0){let d=l.kelvin;const u=e;if(e===u)if(typeof d=="number"&&isFinite(d)){if(d>1e6||isNaN(d))return g.errors=[{}],!1;if(d<100||isNaN(d))
return g.errors=[{}],!1}else return g.errors=[{}],!1;var p=u===e}else var p=!0;if(p){if(l.tint!==void 0){let d=l.tint;const u=e;if(e===u)if(typeof d=="number"&&
isFinite(d)){if(d>1e3||isNaN(d))return g.errors=[{}],!1;if(d<-1e3||isNaN(d))return g.errors=[{}],!1}else return g.errors=[{}],!1;var p=u===e}else var p=!0;if(p)
if(l.neutral!==void 0){let d=l.neutral;const u=e;if(e===u)if(Array.isArray(d)){if(d.length>3)return g.errors=[{}],!1;if(d.length<3)return g.errors=[{}],!1;{var A=!0;
const R=d.length;for(let S=0;S<R;S++){let Z=d[S];const H=e;if(e===H)if(typeof Z=="number"&&isFinite(Z)){if(Z>1||isNaN(Z))return g.errors=[{}],!1;if(Z<=0||isNaN(
Z))return g.errors=[{}],!1}else return g.errors=[{}],!1;var A=H===e;if(!A)break}}}else return g.errors=[{}],!1;var p=u===e}else var p=!0}}else return g.errors=[
{}],!1;var s=D===e}else var s=!0;if(s)if(i.forecast!==void 0){const l=e;O(i.forecast,{instancePath:m+"/forecast",parentData:i,parentDataProperty:"forecast",rootData:v})||
(r=r===null?O.errors:r.concat(O.errors),e=r.length);var s=l===e}else var s=!0}}}}}}}}}}}}}}}}}}}}}}}}else return g.errors=[{}],!1;return g.errors=r,e===0}exports.
isRoll=pe;function pe(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;
if(i.version===void 0&&(a="version")||i.id===void 0&&(a="id")||i.name===void 0&&(a="name")||i.createdMs===void 0&&(a="createdMs")||i.keywords===void 0&&(a="keyw\
ords"))return pe.errors=[{}],!1;if(i.version!==void 0){let f=i.version;const t=e;if(!(typeof f=="number"&&isFinite(f)))return pe.errors=[{}],!1;if(f!==1)return pe.
errors=[{}],!1;var s=t===e}else var s=!0;if(s){if(i.id!==void 0){let f=i.id;const t=e;if(e===t)if(typeof f=="string"){if(E(f)>64)return pe.errors=[{}],!1;if(E(f)<
1)return pe.errors=[{}],!1}else return pe.errors=[{}],!1;var s=t===e}else var s=!0;if(s){if(i.name!==void 0){let f=i.name;const t=e;if(e===t)if(typeof f=="strin\
g"){if(E(f)>60)return pe.errors=[{}],!1;if(E(f)<1)return pe.errors=[{}],!1}else return pe.errors=[{}],!1;var s=t===e}else var s=!0;if(s){if(i.createdMs!==void 0){
const f=e;B(i.createdMs,{instancePath:m+"/createdMs",parentData:i,parentDataProperty:"createdMs",rootData:v})||(r=r===null?B.errors:r.concat(B.errors),e=r.length);
var s=f===e}else var s=!0;if(s){if(i.keywords!==void 0){const f=e;ne(i.keywords,{instancePath:m+"/keywords",parentData:i,parentDataProperty:"keywords",rootData:v})||
(r=r===null?ne.errors:r.concat(ne.errors),e=r.length);var s=f===e}else var s=!0;if(s)if(i.deletedMs!==void 0){const f=e;B(i.deletedMs,{instancePath:m+"/deletedM\
s",parentData:i,parentDataProperty:"deletedMs",rootData:v})||(r=r===null?B.errors:r.concat(B.errors),e=r.length);var s=f===e}else var s=!0}}}}}else return pe.errors=
[{}],!1;return pe.errors=r,e===0}exports.isArchive=U;function fe(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="object"&&!Array.isArray(i)){let a;
if(i.version===void 0&&(a="version")||i.id===void 0&&(a="id")||i.name===void 0&&(a="name")||i.createdMs===void 0&&(a="createdMs")||i.keywords===void 0&&(a="keyw\
ords"))return fe.errors=[{}],!1;if(i.version!==void 0){let f=i.version;const t=e;if(!(typeof f=="number"&&isFinite(f)))return fe.errors=[{}],!1;if(f!==1)return fe.
errors=[{}],!1;var s=t===e}else var s=!0;if(s){if(i.id!==void 0){let f=i.id;const t=e;if(e===t)if(typeof f=="string"){if(E(f)>64)return fe.errors=[{}],!1;if(E(f)<
1)return fe.errors=[{}],!1}else return fe.errors=[{}],!1;var s=t===e}else var s=!0;if(s){if(i.name!==void 0){let f=i.name;const t=e;if(e===t)if(typeof f=="strin\
g"){if(E(f)>60)return fe.errors=[{}],!1;if(E(f)<1)return fe.errors=[{}],!1}else return fe.errors=[{}],!1;var s=t===e}else var s=!0;if(s){if(i.createdMs!==void 0){
const f=e;B(i.createdMs,{instancePath:m+"/createdMs",parentData:i,parentDataProperty:"createdMs",rootData:v})||(r=r===null?B.errors:r.concat(B.errors),e=r.length);
var s=f===e}else var s=!0;if(s){if(i.keywords!==void 0){const f=e;ne(i.keywords,{instancePath:m+"/keywords",parentData:i,parentDataProperty:"keywords",rootData:v})||
(r=r===null?ne.errors:r.concat(ne.errors),e=r.length);var s=f===e}else var s=!0;if(s)if(i.deletedMs!==void 0){const f=e;B(i.deletedMs,{instancePath:m+"/deletedM\
s",parentData:i,parentDataProperty:"deletedMs",rootData:v})||(r=r===null?B.errors:r.concat(B.errors),e=r.length);var s=f===e}else var s=!0}}}}}else return fe.errors=
[{}],!1;return fe.errors=r,e===0}function U(i,{instancePath:m="",parentData:L,parentDataProperty:I,rootData:v=i}={}){let r=null,e=0;if(e===0)if(i&&typeof i=="ob\
ject"&&!Array.isArray(i)){let p;if(i.kind===void 0&&(p="kind")||i.version===void 0&&(p="version")||i.roll===void 0&&(p="roll")||i.withoutPlaces===void 0&&(p="wi\
thoutPlaces")||i.frames===void 0&&(p="frames"))return U.errors=[{}],!1;if(i.kind!==void 0){let A=i.kind;const M=e;if(typeof A!="string")return U.errors=[{}],!1;
if(A!=="velmo-roll")return U.errors=[{}],!1;var s=M===e}else var s=!0;if(s){if(i.version!==void 0){let A=i.version;const M=e;if(!(typeof A=="number"&&isFinite(A)))
return U.errors=[{}],!1;if(A!==1)return U.errors=[{}],!1;var s=M===e}else var s=!0;if(s){if(i.roll!==void 0){const A=e;fe(i.roll,{instancePath:m+"/roll",parentData:i,
parentDataProperty:"roll",rootData:v})||(r=r===null?fe.errors:r.concat(fe.errors),e=r.length);var s=A===e}else var s=!0;if(s){if(i.withoutPlaces!==void 0){const A=e;
if(typeof i.withoutPlaces!="boolean")return U.errors=[{}],!1;var s=A===e}else var s=!0;if(s)if(i.frames!==void 0){let A=i.frames;const M=e;if(e===M)if(Array.isArray(
A)){if(A.length>1e5)return U.errors=[{}],!1;{var a=!0;const D=A.length;for(let b=0;b<D;b++){let w=A[b];const d=e;if(e===d)if(w&&typeof w=="object"&&!Array.isArray(
w)){let j;if(w.record===void 0&&(j="record")||w.files===void 0&&(j="files")||w.thumbnail===void 0&&(j="thumbnail"))return U.errors=[{}],!1;if(w.files!==void 0){
let R=w.files;const S=e;if(e===S)if(Array.isArray(R)){if(R.length>8)return U.errors=[{}],!1;if(R.length<1)return U.errors=[{}],!1;{var f=!0;const Z=R.length;for(let H=0;H<
Z;H++){let de=R[H];const J=e;if(e===J)if(typeof de=="string"){if(E(de)>300)return U.errors=[{}],!1;if(E(de)<1)return U.errors=[{}],!1}else return U.errors=[{}],
!1;var f=J===e;if(!f)break}}}else return U.errors=[{}],!1;var t=S===e}else var t=!0;if(t)if(w.thumbnail!==void 0){let R=w.thumbnail;const S=e;if(e===S)if(typeof R==
"string"){if(E(R)>300)return U.errors=[{}],!1;if(E(R)<1)return U.errors=[{}],!1}else return U.errors=[{}],!1;var t=S===e}else var t=!0}else return U.errors=[{}],
!1;var a=d===e;if(!a)break}}}else return U.errors=[{}],!1;var s=M===e}else var s=!0}}}}else return U.errors=[{}],!1;return U.errors=r,e===0}
