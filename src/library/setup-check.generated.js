// Made by tools/checks.ts from the JSON schemas. Not to be changed by hand.
"use strict";exports.isSetupFile=p;const F={additionalProperties:!1,type:"object",required:["kind","version","setups"],properties:{kind:{const:"setups",type:"string"},version:{
const:1,type:"number"},setups:{minItems:1,maxItems:200,type:"array",items:{additionalProperties:!1,type:"object",required:["name","values"],properties:{name:{$ref:"\
part0"},values:{additionalProperties:!1,minProperties:1,type:"object",properties:{shutter:{$ref:"part1"},iso:{$ref:"part1"},aperture:{$ref:"part1"},compensationEv:{
minimum:-5,maximum:5,type:"number"},focus:{additionalProperties:!1,type:"object",required:["auto","exact","how"],properties:{auto:{type:"boolean"},exact:{exclusiveMinimum:0,
maximum:8192,type:"number"},how:{enum:["continuous","single"]}}},cut:{additionalProperties:!1,type:"object",required:["aspect","times"],properties:{aspect:{enum:[
"whole","4:3","3:2","16:9","1:1","65:24"]},times:{minimum:1,maximum:8,type:"number"}}},meter:{additionalProperties:!1,type:"object",required:["pattern","spotSha\
re","burnShare"],properties:{pattern:{enum:["whole","centre","spot","highlight"]},spotShare:{enum:[.003,.01,.03]},burnShare:{enum:[3e-4,.001,.01]}}},rules:{additionalProperties:!1,
type:"object",required:["order","steadyThirds","isoCeiling","shutter","iso","aperture"],properties:{order:{uniqueItems:!0,minItems:3,maxItems:3,type:"array",items:{
enum:["shutter","aperture","iso"]}},steadyThirds:{minimum:-6,maximum:6,type:"integer"},isoCeiling:{minimum:50,maximum:6500,type:"number"},shutter:{$ref:"part2"},
iso:{$ref:"part2"},aperture:{$ref:"part2"}}},filterStops:{minimum:0,maximum:20,type:"number"},delayS:{enum:[0,2,3,5,10,20]},bracket:{additionalProperties:!1,type:"\
object",required:["frames","stepThirds","order","by"],properties:{frames:{minimum:1,maximum:9,type:"integer"},stepThirds:{minimum:1,maximum:9,type:"integer"},order:{
enum:["middle","rising","falling"]},by:{enum:["shutter","iso"]}}},burst:{additionalProperties:!1,type:"object",required:["frames","perS","held"],properties:{frames:{
minimum:1,maximum:30,type:"integer"},perS:{minimum:1,maximum:15,type:"integer"},held:{type:"boolean"}}},files:{additionalProperties:!1,type:"object",required:["\
kind","quality","size"],properties:{kind:{enum:["dng","dng+jpeg","jpeg","tiff","png","png16"]},quality:{minimum:60,maximum:100,type:"integer"},size:{enum:[1,2,4]}}},
white:{additionalProperties:!1,type:"object",required:["auto","exact","tint"],properties:{auto:{type:"boolean"},exact:{minimum:2e3,maximum:12e3,type:"number"},tint:{
minimum:-150,maximum:150,type:"number"}}},pictures:{minimum:0,maximum:64,type:"integer"},print:{anyOf:[{$ref:"part3"},{type:"null"}]},lock:{type:"boolean"}}}}}}}};const J=require("ajv/dist/runtime/ucs2length").default,Z=new RegExp("\\S","u");function A(o,{instancePath:s="",parentData:$,parentDataProperty:L,rootData:T=o}={}){
let i=null,e=0;if(e===0)if(typeof o=="string"){if(J(o)>40)return A.errors=[{instancePath:s,schemaPath:"#/maxLength",keyword:"maxLength",params:{limit:40},message:"\
must NOT have more than 40 characters"}],!1;if(J(o)<1)return A.errors=[{instancePath:s,schemaPath:"#/minLength",keyword:"minLength",params:{limit:1},message:"mu\
st NOT have fewer than 1 characters"}],!1;if(!Z.test(o))return A.errors=[{instancePath:s,schemaPath:"#/pattern",keyword:"pattern",params:{pattern:"\\S"},message:'\
must match pattern "\\S"'}],!1}else return A.errors=[{instancePath:s,schemaPath:"#/type",keyword:"type",params:{type:"string"},message:"must be string"}],!1;return A.
errors=i,e===0}function q(o,{instancePath:s="",parentData:$,parentDataProperty:L,rootData:T=o}={}){let i=null,e=0;if(e===0)if(o&&typeof o=="object"&&!Array.isArray(o)){let S;if(o.
auto===void 0&&(S="auto")||o.exact===void 0&&(S="exact"))return q.errors=[{instancePath:s,schemaPath:"#/required",keyword:"required",params:{missingProperty:S},
message:"must have required property '"+S+"'"}],!1;{const w=e;for(const u in o)if(!(u==="auto"||u==="exact")){return q.errors=[{instancePath:s,schemaPath:"#/add\
itionalProperties",keyword:"additionalProperties",params:{additionalProperty:u},message:"must NOT have additional properties"}],!1;break}if(w===e){if(o.auto!==void 0){
const u=e;if(typeof o.auto!="boolean")return q.errors=[{instancePath:s+"/auto",schemaPath:"#/properties/auto/type",keyword:"type",params:{type:"boolean"},message:"\
must be boolean"}],!1;var f=u===e}else var f=!0;if(f)if(o.exact!==void 0){let u=o.exact;const N=e;if(e===N)if(typeof u=="number"&&isFinite(u)){if(u>8192||isNaN(
u))return q.errors=[{instancePath:s+"/exact",schemaPath:"#/properties/exact/maximum",keyword:"maximum",params:{comparison:"<=",limit:8192},message:"must be <= 8\
192"}],!1;if(u<=0||isNaN(u))return q.errors=[{instancePath:s+"/exact",schemaPath:"#/properties/exact/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison:"\
>",limit:0},message:"must be > 0"}],!1}else return q.errors=[{instancePath:s+"/exact",schemaPath:"#/properties/exact/type",keyword:"type",params:{type:"number"},
message:"must be number"}],!1;var f=N===e}else var f=!0}}}else return q.errors=[{instancePath:s,schemaPath:"#/type",keyword:"type",params:{type:"object"},message:"\
must be object"}],!1;return q.errors=i,e===0}function O(o,{instancePath:s="",parentData:$,parentDataProperty:L,rootData:T=o}={}){let i=null,e=0;if(e===0)if(Array.isArray(o)){if(o.length>2)return O.errors=[
{instancePath:s,schemaPath:"#/maxItems",keyword:"maxItems",params:{limit:2},message:"must NOT have more than 2 items"}],!1;if(o.length<2)return O.errors=[{instancePath:s,
schemaPath:"#/minItems",keyword:"minItems",params:{limit:2},message:"must NOT have fewer than 2 items"}],!1;{var f=!0;const S=o.length;for(let w=0;w<S;w++){let u=o[w];
const N=e;if(e===N)if(typeof u=="number"&&isFinite(u)){if(u>8192||isNaN(u))return O.errors=[{instancePath:s+"/"+w,schemaPath:"#/items/maximum",keyword:"maximum",
params:{comparison:"<=",limit:8192},message:"must be <= 8192"}],!1;if(u<=0||isNaN(u))return O.errors=[{instancePath:s+"/"+w,schemaPath:"#/items/exclusiveMinimum",
keyword:"exclusiveMinimum",params:{comparison:">",limit:0},message:"must be > 0"}],!1}else return O.errors=[{instancePath:s+"/"+w,schemaPath:"#/items/type",keyword:"\
type",params:{type:"number"},message:"must be number"}],!1;var f=N===e;if(!f)break}}}else return O.errors=[{instancePath:s,schemaPath:"#/type",keyword:"type",params:{
type:"array"},message:"must be array"}],!1;return O.errors=i,e===0}function P(o,{instancePath:s="",parentData:$,parentDataProperty:L,rootData:T=o}={}){let i=null,e=0;if(e===0)if(o&&typeof o=="object"&&!Array.isArray(o)){let u;if(o.
name===void 0&&(u="name")||o.exposureEv===void 0&&(u="exposureEv")||o.warmthMired===void 0&&(u="warmthMired")||o.contrast===void 0&&(u="contrast")||o.saturation===
void 0&&(u="saturation")||o.mix===void 0&&(u="mix"))return P.errors=[{instancePath:s,schemaPath:"#/required",keyword:"required",params:{missingProperty:u},message:"\
must have required property '"+u+"'"}],!1;{const N=e;for(const m in o)if(!(m==="name"||m==="exposureEv"||m==="warmthMired"||m==="contrast"||m==="saturation"||m===
"mix")){return P.errors=[{instancePath:s,schemaPath:"#/additionalProperties",keyword:"additionalProperties",params:{additionalProperty:m},message:"must NOT have\
 additional properties"}],!1;break}if(N===e){if(o.name!==void 0){const m=e;A(o.name,{instancePath:s+"/name",parentData:o,parentDataProperty:"name",rootData:T})||
(i=i===null?A.errors:i.concat(A.errors),e=i.length);var f=m===e}else var f=!0;if(f){if(o.exposureEv!==void 0){let m=o.exposureEv;const h=e;if(e===h)if(typeof m==
"number"&&isFinite(m)){if(m>3||isNaN(m))return P.errors=[{instancePath:s+"/exposureEv",schemaPath:"#/properties/exposureEv/maximum",keyword:"maximum",params:{comparison:"\
<=",limit:3},message:"must be <= 3"}],!1;if(m<-3||isNaN(m))return P.errors=[{instancePath:s+"/exposureEv",schemaPath:"#/properties/exposureEv/minimum",keyword:"\
minimum",params:{comparison:">=",limit:-3},message:"must be >= -3"}],!1}else return P.errors=[{instancePath:s+"/exposureEv",schemaPath:"#/properties/exposureEv/\
type",keyword:"type",params:{type:"number"},message:"must be number"}],!1;var f=h===e}else var f=!0;if(f){if(o.warmthMired!==void 0){let m=o.warmthMired;const h=e;
if(e===h)if(typeof m=="number"&&isFinite(m)){if(m>100||isNaN(m))return P.errors=[{instancePath:s+"/warmthMired",schemaPath:"#/properties/warmthMired/maximum",keyword:"\
maximum",params:{comparison:"<=",limit:100},message:"must be <= 100"}],!1;if(m<-100||isNaN(m))return P.errors=[{instancePath:s+"/warmthMired",schemaPath:"#/prop\
erties/warmthMired/minimum",keyword:"minimum",params:{comparison:">=",limit:-100},message:"must be >= -100"}],!1}else return P.errors=[{instancePath:s+"/warmthM\
ired",schemaPath:"#/properties/warmthMired/type",keyword:"type",params:{type:"number"},message:"must be number"}],!1;var f=h===e}else var f=!0;if(f){if(o.contrast!==
void 0){let m=o.contrast;const h=e;if(e===h)if(typeof m=="number"&&isFinite(m)){if(m>2||isNaN(m))return P.errors=[{instancePath:s+"/contrast",schemaPath:"#/prop\
erties/contrast/maximum",keyword:"maximum",params:{comparison:"<=",limit:2},message:"must be <= 2"}],!1;if(m<.5||isNaN(m))return P.errors=[{instancePath:s+"/con\
trast",schemaPath:"#/properties/contrast/minimum",keyword:"minimum",params:{comparison:">=",limit:.5},message:"must be >= 0.5"}],!1}else return P.errors=[{instancePath:s+
"/contrast",schemaPath:"#/properties/contrast/type",keyword:"type",params:{type:"number"},message:"must be number"}],!1;var f=h===e}else var f=!0;if(f){if(o.saturation!==
void 0){let m=o.saturation;const h=e;if(e===h)if(typeof m=="number"&&isFinite(m)){if(m>1.5||isNaN(m))return P.errors=[{instancePath:s+"/saturation",schemaPath:"\
#/properties/saturation/maximum",keyword:"maximum",params:{comparison:"<=",limit:1.5},message:"must be <= 1.5"}],!1;if(m<0||isNaN(m))return P.errors=[{instancePath:s+
"/saturation",schemaPath:"#/properties/saturation/minimum",keyword:"minimum",params:{comparison:">=",limit:0},message:"must be >= 0"}],!1}else return P.errors=[
{instancePath:s+"/saturation",schemaPath:"#/properties/saturation/type",keyword:"type",params:{type:"number"},message:"must be number"}],!1;var f=h===e}else var f=!0;
if(f)if(o.mix!==void 0){let m=o.mix;const h=e,M=e;let b=!1;const j=e;if(e===j)if(Array.isArray(m))if(m.length>3){const y={instancePath:s+"/mix",schemaPath:"#/pr\
operties/mix/anyOf/0/maxItems",keyword:"maxItems",params:{limit:3},message:"must NOT have more than 3 items"};i===null?i=[y]:i.push(y),e++}else if(m.length<3){const y={
instancePath:s+"/mix",schemaPath:"#/properties/mix/anyOf/0/minItems",keyword:"minItems",params:{limit:3},message:"must NOT have fewer than 3 items"};i===null?i=
[y]:i.push(y),e++}else{var S=!0;const y=m.length;for(let k=0;k<y;k++){let g=m[k];const I=e;if(e===I)if(typeof g=="number"&&isFinite(g)){if(g>2||isNaN(g)){const v={
instancePath:s+"/mix/"+k,schemaPath:"#/properties/mix/anyOf/0/items/maximum",keyword:"maximum",params:{comparison:"<=",limit:2},message:"must be <= 2"};i===null?
i=[v]:i.push(v),e++}else if(g<-1||isNaN(g)){const v={instancePath:s+"/mix/"+k,schemaPath:"#/properties/mix/anyOf/0/items/minimum",keyword:"minimum",params:{comparison:"\
>=",limit:-1},message:"must be >= -1"};i===null?i=[v]:i.push(v),e++}}else{const v={instancePath:s+"/mix/"+k,schemaPath:"#/properties/mix/anyOf/0/items/type",keyword:"\
type",params:{type:"number"},message:"must be number"};i===null?i=[v]:i.push(v),e++}var S=I===e;if(!S)break}}else{const y={instancePath:s+"/mix",schemaPath:"#/p\
roperties/mix/anyOf/0/type",keyword:"type",params:{type:"array"},message:"must be array"};i===null?i=[y]:i.push(y),e++}var w=j===e;if(b=b||w,!b){const y=e;if(m!==
null){const g={instancePath:s+"/mix",schemaPath:"#/properties/mix/anyOf/1/type",keyword:"type",params:{type:"null"},message:"must be null"};i===null?i=[g]:i.push(
g),e++}var w=y===e;b=b||w}if(b)e=M,i!==null&&(M?i.length=M:i=null);else{const y={instancePath:s+"/mix",schemaPath:"#/properties/mix/anyOf",keyword:"anyOf",params:{},
message:"must match a schema in anyOf"};return i===null?i=[y]:i.push(y),e++,P.errors=i,!1}var f=h===e}else var f=!0}}}}}}}else return P.errors=[{instancePath:s,
schemaPath:"#/type",keyword:"type",params:{type:"object"},message:"must be object"}],!1;return P.errors=i,e===0}const ee=Object.prototype.hasOwnProperty,re=require("ajv/dist/runtime/equal").
default;function p(o,{instancePath:s="",parentData:$,parentDataProperty:L,rootData:T=o}={}){let i=null,e=0;if(e===0)if(o&&typeof o=="object"&&!Array.isArray(o)){
let I;if(o.kind===void 0&&(I="kind")||o.version===void 0&&(I="version")||o.setups===void 0&&(I="setups"))return p.errors=[{instancePath:s,schemaPath:"#/required",
keyword:"required",params:{missingProperty:I},message:"must have required property '"+I+"'"}],!1;{const K=e;for(const v in o)if(!(v==="kind"||v==="version"||v===
"setups")){return p.errors=[{instancePath:s,schemaPath:"#/additionalProperties",keyword:"additionalProperties",params:{additionalProperty:v},message:"must NOT h\
ave additional properties"}],!1;break}if(K===e){if(o.kind!==void 0){let v=o.kind;const z=e;if(typeof v!="string")return p.errors=[{instancePath:s+"/kind",schemaPath:"\
#/properties/kind/type",keyword:"type",params:{type:"string"},message:"must be string"}],!1;if(v!=="setups")return p.errors=[{instancePath:s+"/kind",schemaPath:"\
#/properties/kind/const",keyword:"const",params:{allowedValue:"setups"},message:"must be equal to constant"}],!1;var f=z===e}else var f=!0;if(f){if(o.version!==
void 0){let v=o.version;const z=e;if(!(typeof v=="number"&&isFinite(v)))return p.errors=[{instancePath:s+"/version",schemaPath:"#/properties/version/type",keyword:"\
type",params:{type:"number"},message:"must be number"}],!1;if(v!==1)return p.errors=[{instancePath:s+"/version",schemaPath:"#/properties/version/const",keyword:"\
const",params:{allowedValue:1},message:"must be equal to constant"}],!1;var f=z===e}else var f=!0;if(f)if(o.setups!==void 0){let v=o.setups;const z=e;if(e===z)if(Array.
isArray(v)){if(v.length>200)return p.errors=[{instancePath:s+"/setups",schemaPath:"#/properties/setups/maxItems",keyword:"maxItems",params:{limit:200},message:"\
must NOT have more than 200 items"}],!1;if(v.length<1)return p.errors=[{instancePath:s+"/setups",schemaPath:"#/properties/setups/minItems",keyword:"minItems",params:{
limit:1},message:"must NOT have fewer than 1 items"}],!1;{var S=!0;const Q=v.length;for(let a=0;a<Q;a++){let D=v[a];const G=e;if(e===G)if(D&&typeof D=="object"&&
!Array.isArray(D)){let R;if(D.name===void 0&&(R="name")||D.values===void 0&&(R="values"))return p.errors=[{instancePath:s+"/setups/"+a,schemaPath:"#/properties/\
setups/items/required",keyword:"required",params:{missingProperty:R},message:"must have required property '"+R+"'"}],!1;{const U=e;for(const d in D)if(!(d==="na\
me"||d==="values")){return p.errors=[{instancePath:s+"/setups/"+a,schemaPath:"#/properties/setups/items/additionalProperties",keyword:"additionalProperties",params:{
additionalProperty:d},message:"must NOT have additional properties"}],!1;break}if(U===e){if(D.name!==void 0){const d=e;A(D.name,{instancePath:s+"/setups/"+a+"/n\
ame",parentData:D,parentDataProperty:"name",rootData:T})||(i=i===null?A.errors:i.concat(A.errors),e=i.length);var w=d===e}else var w=!0;if(w)if(D.values!==void 0){
let d=D.values;const H=e;if(e===H)if(d&&typeof d=="object"&&!Array.isArray(d)){if(Object.keys(d).length<1)return p.errors=[{instancePath:s+"/setups/"+a+"/values",
schemaPath:"#/properties/setups/items/properties/values/minProperties",keyword:"minProperties",params:{limit:1},message:"must NOT have fewer than 1 properties"}],
!1;{const W=e;for(const t in d)if(!ee.call(F.properties.setups.items.properties.values.properties,t)){return p.errors=[{instancePath:s+"/setups/"+a+"/values",schemaPath:"\
#/properties/setups/items/properties/values/additionalProperties",keyword:"additionalProperties",params:{additionalProperty:t},message:"must NOT have additional\
 properties"}],!1;break}if(W===e){if(d.shutter!==void 0){const t=e;q(d.shutter,{instancePath:s+"/setups/"+a+"/values/shutter",parentData:d,parentDataProperty:"s\
hutter",rootData:T})||(i=i===null?q.errors:i.concat(q.errors),e=i.length);var u=t===e}else var u=!0;if(u){if(d.iso!==void 0){const t=e;q(d.iso,{instancePath:s+"\
/setups/"+a+"/values/iso",parentData:d,parentDataProperty:"iso",rootData:T})||(i=i===null?q.errors:i.concat(q.errors),e=i.length);var u=t===e}else var u=!0;if(u){
if(d.aperture!==void 0){const t=e;q(d.aperture,{instancePath:s+"/setups/"+a+"/values/aperture",parentData:d,parentDataProperty:"aperture",rootData:T})||(i=i===null?
q.errors:i.concat(q.errors),e=i.length);var u=t===e}else var u=!0;if(u){if(d.compensationEv!==void 0){let t=d.compensationEv;const c=e;if(e===c)if(typeof t=="nu\
mber"&&isFinite(t)){if(t>5||isNaN(t))return p.errors=[{instancePath:s+"/setups/"+a+"/values/compensationEv",schemaPath:"#/properties/setups/items/properties/val\
ues/properties/compensationEv/maximum",keyword:"maximum",params:{comparison:"<=",limit:5},message:"must be <= 5"}],!1;if(t<-5||isNaN(t))return p.errors=[{instancePath:s+
"/setups/"+a+"/values/compensationEv",schemaPath:"#/properties/setups/items/properties/values/properties/compensationEv/minimum",keyword:"minimum",params:{comparison:"\
>=",limit:-5},message:"must be >= -5"}],!1}else return p.errors=[{instancePath:s+"/setups/"+a+"/values/compensationEv",schemaPath:"#/properties/setups/items/pro\
perties/values/properties/compensationEv/type",keyword:"type",params:{type:"number"},message:"must be number"}],!1;var u=c===e}else var u=!0;if(u){if(d.focus!==
void 0){let t=d.focus;const c=e;if(e===c)if(t&&typeof t=="object"&&!Array.isArray(t)){let l;if(t.auto===void 0&&(l="auto")||t.exact===void 0&&(l="exact")||t.how===
void 0&&(l="how"))return p.errors=[{instancePath:s+"/setups/"+a+"/values/focus",schemaPath:"#/properties/setups/items/properties/values/properties/focus/require\
d",keyword:"required",params:{missingProperty:l},message:"must have required property '"+l+"'"}],!1;{const _=e;for(const r in t)if(!(r==="auto"||r==="exact"||r===
"how")){return p.errors=[{instancePath:s+"/setups/"+a+"/values/focus",schemaPath:"#/properties/setups/items/properties/values/properties/focus/additionalPropert\
ies",keyword:"additionalProperties",params:{additionalProperty:r},message:"must NOT have additional properties"}],!1;break}if(_===e){if(t.auto!==void 0){const r=e;
if(typeof t.auto!="boolean")return p.errors=[{instancePath:s+"/setups/"+a+"/values/focus/auto",schemaPath:"#/properties/setups/items/properties/values/propertie\
s/focus/properties/auto/type",keyword:"type",params:{type:"boolean"},message:"must be boolean"}],!1;var N=r===e}else var N=!0;if(N){if(t.exact!==void 0){let r=t.
exact;const n=e;if(e===n)if(typeof r=="number"&&isFinite(r)){if(r>8192||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/focus/exact",schemaPath:"\
#/properties/setups/items/properties/values/properties/focus/properties/exact/maximum",keyword:"maximum",params:{comparison:"<=",limit:8192},message:"must be <=\
 8192"}],!1;if(r<=0||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/focus/exact",schemaPath:"#/properties/setups/items/properties/values/proper\
ties/focus/properties/exact/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison:">",limit:0},message:"must be > 0"}],!1}else return p.errors=[{instancePath:s+
"/setups/"+a+"/values/focus/exact",schemaPath:"#/properties/setups/items/properties/values/properties/focus/properties/exact/type",keyword:"type",params:{type:"\
number"},message:"must be number"}],!1;var N=n===e}else var N=!0;if(N)if(t.how!==void 0){let r=t.how;const n=e;if(!(r==="continuous"||r==="single"))return p.errors=
[{instancePath:s+"/setups/"+a+"/values/focus/how",schemaPath:"#/properties/setups/items/properties/values/properties/focus/properties/how/enum",keyword:"enum",params:{
allowedValues:F.properties.setups.items.properties.values.properties.focus.properties.how.enum},message:"must be equal to one of the allowed values"}],!1;var N=n===
e}else var N=!0}}}}else return p.errors=[{instancePath:s+"/setups/"+a+"/values/focus",schemaPath:"#/properties/setups/items/properties/values/properties/focus/t\
ype",keyword:"type",params:{type:"object"},message:"must be object"}],!1;var u=c===e}else var u=!0;if(u){if(d.cut!==void 0){let t=d.cut;const c=e;if(e===c)if(t&&
typeof t=="object"&&!Array.isArray(t)){let l;if(t.aspect===void 0&&(l="aspect")||t.times===void 0&&(l="times"))return p.errors=[{instancePath:s+"/setups/"+a+"/v\
alues/cut",schemaPath:"#/properties/setups/items/properties/values/properties/cut/required",keyword:"required",params:{missingProperty:l},message:"must have req\
uired property '"+l+"'"}],!1;{const _=e;for(const r in t)if(!(r==="aspect"||r==="times")){return p.errors=[{instancePath:s+"/setups/"+a+"/values/cut",schemaPath:"\
#/properties/setups/items/properties/values/properties/cut/additionalProperties",keyword:"additionalProperties",params:{additionalProperty:r},message:"must NOT \
have additional properties"}],!1;break}if(_===e){if(t.aspect!==void 0){let r=t.aspect;const n=e;if(!(r==="whole"||r==="4:3"||r==="3:2"||r==="16:9"||r==="1:1"||r===
"65:24"))return p.errors=[{instancePath:s+"/setups/"+a+"/values/cut/aspect",schemaPath:"#/properties/setups/items/properties/values/properties/cut/properties/as\
pect/enum",keyword:"enum",params:{allowedValues:F.properties.setups.items.properties.values.properties.cut.properties.aspect.enum},message:"must be equal to one\
 of the allowed values"}],!1;var m=n===e}else var m=!0;if(m)if(t.times!==void 0){let r=t.times;const n=e;if(e===n)if(typeof r=="number"&&isFinite(r)){if(r>8||isNaN(
r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/cut/times",schemaPath:"#/properties/setups/items/properties/values/properties/cut/properties/times/max\
imum",keyword:"maximum",params:{comparison:"<=",limit:8},message:"must be <= 8"}],!1;if(r<1||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/cut\
/times",schemaPath:"#/properties/setups/items/properties/values/properties/cut/properties/times/minimum",keyword:"minimum",params:{comparison:">=",limit:1},message:"\
must be >= 1"}],!1}else return p.errors=[{instancePath:s+"/setups/"+a+"/values/cut/times",schemaPath:"#/properties/setups/items/properties/values/properties/cut\
/properties/times/type",keyword:"type",params:{type:"number"},message:"must be number"}],!1;var m=n===e}else var m=!0}}}else return p.errors=[{instancePath:s+"/\
setups/"+a+"/values/cut",schemaPath:"#/properties/setups/items/properties/values/properties/cut/type",keyword:"type",params:{type:"object"},message:"must be obj\
ect"}],!1;var u=c===e}else var u=!0;if(u){if(d.meter!==void 0){let t=d.meter;const c=e;if(e===c)if(t&&typeof t=="object"&&!Array.isArray(t)){let l;if(t.pattern===
void 0&&(l="pattern")||t.spotShare===void 0&&(l="spotShare")||t.burnShare===void 0&&(l="burnShare"))return p.errors=[{instancePath:s+"/setups/"+a+"/values/meter",
schemaPath:"#/properties/setups/items/properties/values/properties/meter/required",keyword:"required",params:{missingProperty:l},message:"must have required pro\
perty '"+l+"'"}],!1;{const _=e;for(const r in t)if(!(r==="pattern"||r==="spotShare"||r==="burnShare")){return p.errors=[{instancePath:s+"/setups/"+a+"/values/me\
ter",schemaPath:"#/properties/setups/items/properties/values/properties/meter/additionalProperties",keyword:"additionalProperties",params:{additionalProperty:r},
message:"must NOT have additional properties"}],!1;break}if(_===e){if(t.pattern!==void 0){let r=t.pattern;const n=e;if(!(r==="whole"||r==="centre"||r==="spot"||
r==="highlight"))return p.errors=[{instancePath:s+"/setups/"+a+"/values/meter/pattern",schemaPath:"#/properties/setups/items/properties/values/properties/meter/\
properties/pattern/enum",keyword:"enum",params:{allowedValues:F.properties.setups.items.properties.values.properties.meter.properties.pattern.enum},message:"mus\
t be equal to one of the allowed values"}],!1;var h=n===e}else var h=!0;if(h){if(t.spotShare!==void 0){let r=t.spotShare;const n=e;if(!(r===.003||r===.01||r===.03))
return p.errors=[{instancePath:s+"/setups/"+a+"/values/meter/spotShare",schemaPath:"#/properties/setups/items/properties/values/properties/meter/properties/spot\
Share/enum",keyword:"enum",params:{allowedValues:F.properties.setups.items.properties.values.properties.meter.properties.spotShare.enum},message:"must be equal \
to one of the allowed values"}],!1;var h=n===e}else var h=!0;if(h)if(t.burnShare!==void 0){let r=t.burnShare;const n=e;if(!(r===3e-4||r===.001||r===.01))return p.
errors=[{instancePath:s+"/setups/"+a+"/values/meter/burnShare",schemaPath:"#/properties/setups/items/properties/values/properties/meter/properties/burnShare/enu\
m",keyword:"enum",params:{allowedValues:F.properties.setups.items.properties.values.properties.meter.properties.burnShare.enum},message:"must be equal to one of\
 the allowed values"}],!1;var h=n===e}else var h=!0}}}}else return p.errors=[{instancePath:s+"/setups/"+a+"/values/meter",schemaPath:"#/properties/setups/items/\
properties/values/properties/meter/type",keyword:"type",params:{type:"object"},message:"must be object"}],!1;var u=c===e}else var u=!0;if(u){if(d.rules!==void 0){
let t=d.rules;const c=e;if(e===c)if(t&&typeof t=="object"&&!Array.isArray(t)){let l;if(t.order===void 0&&(l="order")||t.steadyThirds===void 0&&(l="steadyThirds")||
t.isoCeiling===void 0&&(l="isoCeiling")||t.shutter===void 0&&(l="shutter")||t.iso===void 0&&(l="iso")||t.aperture===void 0&&(l="aperture"))return p.errors=[{instancePath:s+
"/setups/"+a+"/values/rules",schemaPath:"#/properties/setups/items/properties/values/properties/rules/required",keyword:"required",params:{missingProperty:l},message:"\
must have required property '"+l+"'"}],!1;{const _=e;for(const r in t)if(!(r==="order"||r==="steadyThirds"||r==="isoCeiling"||r==="shutter"||r==="iso"||r==="ape\
rture")){return p.errors=[{instancePath:s+"/setups/"+a+"/values/rules",schemaPath:"#/properties/setups/items/properties/values/properties/rules/additionalProper\
ties",keyword:"additionalProperties",params:{additionalProperty:r},message:"must NOT have additional properties"}],!1;break}if(_===e){if(t.order!==void 0){let r=t.
order;const n=e;if(e===n)if(Array.isArray(r)){if(r.length>3)return p.errors=[{instancePath:s+"/setups/"+a+"/values/rules/order",schemaPath:"#/properties/setups/\
items/properties/values/properties/rules/properties/order/maxItems",keyword:"maxItems",params:{limit:3},message:"must NOT have more than 3 items"}],!1;if(r.length<
3)return p.errors=[{instancePath:s+"/setups/"+a+"/values/rules/order",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/order/\
minItems",keyword:"minItems",params:{limit:3},message:"must NOT have fewer than 3 items"}],!1;{var M=!0;const X=r.length;for(let E=0;E<X;E++){let C=r[E];const Y=e;
if(!(C==="shutter"||C==="aperture"||C==="iso"))return p.errors=[{instancePath:s+"/setups/"+a+"/values/rules/order/"+E,schemaPath:"#/properties/setups/items/prop\
erties/values/properties/rules/properties/order/items/enum",keyword:"enum",params:{allowedValues:F.properties.setups.items.properties.values.properties.rules.properties.
order.items.enum},message:"must be equal to one of the allowed values"}],!1;var M=Y===e;if(!M)break}if(M){let E=r.length,C;if(E>1){e:for(;E--;)for(C=E;C--;)if(re(
r[E],r[C])){return p.errors=[{instancePath:s+"/setups/"+a+"/values/rules/order",schemaPath:"#/properties/setups/items/properties/values/properties/rules/propert\
ies/order/uniqueItems",keyword:"uniqueItems",params:{i:E,j:C},message:"must NOT have duplicate items (items ## "+C+" and "+E+" are identical)"}],!1;break e}}}}}else
return p.errors=[{instancePath:s+"/setups/"+a+"/values/rules/order",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/order/ty\
pe",keyword:"type",params:{type:"array"},message:"must be array"}],!1;var b=n===e}else var b=!0;if(b){if(t.steadyThirds!==void 0){let r=t.steadyThirds;const n=e;
if(!(typeof r=="number"&&!(r%1)&&!isNaN(r)&&isFinite(r)))return p.errors=[{instancePath:s+"/setups/"+a+"/values/rules/steadyThirds",schemaPath:"#/properties/set\
ups/items/properties/values/properties/rules/properties/steadyThirds/type",keyword:"type",params:{type:"integer"},message:"must be integer"}],!1;if(e===n&&typeof r==
"number"&&isFinite(r)){if(r>6||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/rules/steadyThirds",schemaPath:"#/properties/setups/items/propert\
ies/values/properties/rules/properties/steadyThirds/maximum",keyword:"maximum",params:{comparison:"<=",limit:6},message:"must be <= 6"}],!1;if(r<-6||isNaN(r))return p.
errors=[{instancePath:s+"/setups/"+a+"/values/rules/steadyThirds",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/steadyThir\
ds/minimum",keyword:"minimum",params:{comparison:">=",limit:-6},message:"must be >= -6"}],!1}var b=n===e}else var b=!0;if(b){if(t.isoCeiling!==void 0){let r=t.isoCeiling;
const n=e;if(e===n)if(typeof r=="number"&&isFinite(r)){if(r>6500||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/rules/isoCeiling",schemaPath:"\
#/properties/setups/items/properties/values/properties/rules/properties/isoCeiling/maximum",keyword:"maximum",params:{comparison:"<=",limit:6500},message:"must \
be <= 6500"}],!1;if(r<50||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/rules/isoCeiling",schemaPath:"#/properties/setups/items/properties/val\
ues/properties/rules/properties/isoCeiling/minimum",keyword:"minimum",params:{comparison:">=",limit:50},message:"must be >= 50"}],!1}else return p.errors=[{instancePath:s+
"/setups/"+a+"/values/rules/isoCeiling",schemaPath:"#/properties/setups/items/properties/values/properties/rules/properties/isoCeiling/type",keyword:"type",params:{
type:"number"},message:"must be number"}],!1;var b=n===e}else var b=!0;if(b){if(t.shutter!==void 0){const r=e;O(t.shutter,{instancePath:s+"/setups/"+a+"/values/\
rules/shutter",parentData:t,parentDataProperty:"shutter",rootData:T})||(i=i===null?O.errors:i.concat(O.errors),e=i.length);var b=r===e}else var b=!0;if(b){if(t.
iso!==void 0){const r=e;O(t.iso,{instancePath:s+"/setups/"+a+"/values/rules/iso",parentData:t,parentDataProperty:"iso",rootData:T})||(i=i===null?O.errors:i.concat(
O.errors),e=i.length);var b=r===e}else var b=!0;if(b)if(t.aperture!==void 0){const r=e;O(t.aperture,{instancePath:s+"/setups/"+a+"/values/rules/aperture",parentData:t,
parentDataProperty:"aperture",rootData:T})||(i=i===null?O.errors:i.concat(O.errors),e=i.length);var b=r===e}else var b=!0}}}}}}}else return p.errors=[{instancePath:s+
"/setups/"+a+"/values/rules",schemaPath:"#/properties/setups/items/properties/values/properties/rules/type",keyword:"type",params:{type:"object"},message:"must \
be object"}],!1;var u=c===e}else var u=!0;if(u){if(d.filterStops!==void 0){let t=d.filterStops;const c=e;if(e===c)if(typeof t=="number"&&isFinite(t)){if(t>20||isNaN(
t))return p.errors=[{instancePath:s+"/setups/"+a+"/values/filterStops",schemaPath:"#/properties/setups/items/properties/values/properties/filterStops/maximum",keyword:"\
maximum",params:{comparison:"<=",limit:20},message:"must be <= 20"}],!1;if(t<0||isNaN(t))return p.errors=[{instancePath:s+"/setups/"+a+"/values/filterStops",schemaPath:"\
#/properties/setups/items/properties/values/properties/filterStops/minimum",keyword:"minimum",params:{comparison:">=",limit:0},message:"must be >= 0"}],!1}else return p.
errors=[{instancePath:s+"/setups/"+a+"/values/filterStops",schemaPath:"#/properties/setups/items/properties/values/properties/filterStops/type",keyword:"type",params:{
type:"number"},message:"must be number"}],!1;var u=c===e}else var u=!0;if(u){if(d.delayS!==void 0){let t=d.delayS;const c=e;if(!(t===0||t===2||t===3||t===5||t===
10||t===20))return p.errors=[{instancePath:s+"/setups/"+a+"/values/delayS",schemaPath:"#/properties/setups/items/properties/values/properties/delayS/enum",keyword:"\
enum",params:{allowedValues:F.properties.setups.items.properties.values.properties.delayS.enum},message:"must be equal to one of the allowed values"}],!1;var u=c===
e}else var u=!0;if(u){if(d.bracket!==void 0){let t=d.bracket;const c=e;if(e===c)if(t&&typeof t=="object"&&!Array.isArray(t)){let l;if(t.frames===void 0&&(l="fra\
mes")||t.stepThirds===void 0&&(l="stepThirds")||t.order===void 0&&(l="order")||t.by===void 0&&(l="by"))return p.errors=[{instancePath:s+"/setups/"+a+"/values/br\
acket",schemaPath:"#/properties/setups/items/properties/values/properties/bracket/required",keyword:"required",params:{missingProperty:l},message:"must have req\
uired property '"+l+"'"}],!1;{const _=e;for(const r in t)if(!(r==="frames"||r==="stepThirds"||r==="order"||r==="by")){return p.errors=[{instancePath:s+"/setups/"+
a+"/values/bracket",schemaPath:"#/properties/setups/items/properties/values/properties/bracket/additionalProperties",keyword:"additionalProperties",params:{additionalProperty:r},
message:"must NOT have additional properties"}],!1;break}if(_===e){if(t.frames!==void 0){let r=t.frames;const n=e;if(!(typeof r=="number"&&!(r%1)&&!isNaN(r)&&isFinite(
r)))return p.errors=[{instancePath:s+"/setups/"+a+"/values/bracket/frames",schemaPath:"#/properties/setups/items/properties/values/properties/bracket/properties\
/frames/type",keyword:"type",params:{type:"integer"},message:"must be integer"}],!1;if(e===n&&typeof r=="number"&&isFinite(r)){if(r>9||isNaN(r))return p.errors=
[{instancePath:s+"/setups/"+a+"/values/bracket/frames",schemaPath:"#/properties/setups/items/properties/values/properties/bracket/properties/frames/maximum",keyword:"\
maximum",params:{comparison:"<=",limit:9},message:"must be <= 9"}],!1;if(r<1||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/bracket/frames",schemaPath:"\
#/properties/setups/items/properties/values/properties/bracket/properties/frames/minimum",keyword:"minimum",params:{comparison:">=",limit:1},message:"must be >=\
 1"}],!1}var j=n===e}else var j=!0;if(j){if(t.stepThirds!==void 0){let r=t.stepThirds;const n=e;if(!(typeof r=="number"&&!(r%1)&&!isNaN(r)&&isFinite(r)))return p.
errors=[{instancePath:s+"/setups/"+a+"/values/bracket/stepThirds",schemaPath:"#/properties/setups/items/properties/values/properties/bracket/properties/stepThir\
ds/type",keyword:"type",params:{type:"integer"},message:"must be integer"}],!1;if(e===n&&typeof r=="number"&&isFinite(r)){if(r>9||isNaN(r))return p.errors=[{instancePath:s+
"/setups/"+a+"/values/bracket/stepThirds",schemaPath:"#/properties/setups/items/properties/values/properties/bracket/properties/stepThirds/maximum",keyword:"max\
imum",params:{comparison:"<=",limit:9},message:"must be <= 9"}],!1;if(r<1||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/bracket/stepThirds",schemaPath:"\
#/properties/setups/items/properties/values/properties/bracket/properties/stepThirds/minimum",keyword:"minimum",params:{comparison:">=",limit:1},message:"must b\
e >= 1"}],!1}var j=n===e}else var j=!0;if(j){if(t.order!==void 0){let r=t.order;const n=e;if(!(r==="middle"||r==="rising"||r==="falling"))return p.errors=[{instancePath:s+
"/setups/"+a+"/values/bracket/order",schemaPath:"#/properties/setups/items/properties/values/properties/bracket/properties/order/enum",keyword:"enum",params:{allowedValues:F.
properties.setups.items.properties.values.properties.bracket.properties.order.enum},message:"must be equal to one of the allowed values"}],!1;var j=n===e}else var j=!0;
if(j)if(t.by!==void 0){let r=t.by;const n=e;if(!(r==="shutter"||r==="iso"))return p.errors=[{instancePath:s+"/setups/"+a+"/values/bracket/by",schemaPath:"#/prop\
erties/setups/items/properties/values/properties/bracket/properties/by/enum",keyword:"enum",params:{allowedValues:F.properties.setups.items.properties.values.properties.
bracket.properties.by.enum},message:"must be equal to one of the allowed values"}],!1;var j=n===e}else var j=!0}}}}}else return p.errors=[{instancePath:s+"/setu\
ps/"+a+"/values/bracket",schemaPath:"#/properties/setups/items/properties/values/properties/bracket/type",keyword:"type",params:{type:"object"},message:"must be\
 object"}],!1;var u=c===e}else var u=!0;if(u){if(d.burst!==void 0){let t=d.burst;const c=e;if(e===c)if(t&&typeof t=="object"&&!Array.isArray(t)){let l;if(t.frames===
void 0&&(l="frames")||t.perS===void 0&&(l="perS")||t.held===void 0&&(l="held"))return p.errors=[{instancePath:s+"/setups/"+a+"/values/burst",schemaPath:"#/prope\
rties/setups/items/properties/values/properties/burst/required",keyword:"required",params:{missingProperty:l},message:"must have required property '"+l+"'"}],!1;
{const _=e;for(const r in t)if(!(r==="frames"||r==="perS"||r==="held")){return p.errors=[{instancePath:s+"/setups/"+a+"/values/burst",schemaPath:"#/properties/s\
etups/items/properties/values/properties/burst/additionalProperties",keyword:"additionalProperties",params:{additionalProperty:r},message:"must NOT have additio\
nal properties"}],!1;break}if(_===e){if(t.frames!==void 0){let r=t.frames;const n=e;if(!(typeof r=="number"&&!(r%1)&&!isNaN(r)&&isFinite(r)))return p.errors=[{instancePath:s+
"/setups/"+a+"/values/burst/frames",schemaPath:"#/properties/setups/items/properties/values/properties/burst/properties/frames/type",keyword:"type",params:{type:"\
integer"},message:"must be integer"}],!1;if(e===n&&typeof r=="number"&&isFinite(r)){if(r>30||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/bur\
st/frames",schemaPath:"#/properties/setups/items/properties/values/properties/burst/properties/frames/maximum",keyword:"maximum",params:{comparison:"<=",limit:30},
message:"must be <= 30"}],!1;if(r<1||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/burst/frames",schemaPath:"#/properties/setups/items/propert\
ies/values/properties/burst/properties/frames/minimum",keyword:"minimum",params:{comparison:">=",limit:1},message:"must be >= 1"}],!1}var V=n===e}else var V=!0;
if(V){if(t.perS!==void 0){let r=t.perS;const n=e;if(!(typeof r=="number"&&!(r%1)&&!isNaN(r)&&isFinite(r)))return p.errors=[{instancePath:s+"/setups/"+a+"/values\
/burst/perS",schemaPath:"#/properties/setups/items/properties/values/properties/burst/properties/perS/type",keyword:"type",params:{type:"integer"},message:"must\
 be integer"}],!1;if(e===n&&typeof r=="number"&&isFinite(r)){if(r>15||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/burst/perS",schemaPath:"#/\
properties/setups/items/properties/values/properties/burst/properties/perS/maximum",keyword:"maximum",params:{comparison:"<=",limit:15},message:"must be <= 15"}],
!1;if(r<1||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/burst/perS",schemaPath:"#/properties/setups/items/properties/values/properties/burst/\
properties/perS/minimum",keyword:"minimum",params:{comparison:">=",limit:1},message:"must be >= 1"}],!1}var V=n===e}else var V=!0;if(V)if(t.held!==void 0){const r=e;
if(typeof t.held!="boolean")return p.errors=[{instancePath:s+"/setups/"+a+"/values/burst/held",schemaPath:"#/properties/setups/items/properties/values/propertie\
s/burst/properties/held/type",keyword:"type",params:{type:"boolean"},message:"must be boolean"}],!1;var V=r===e}else var V=!0}}}}else return p.errors=[{instancePath:s+
"/setups/"+a+"/values/burst",schemaPath:"#/properties/setups/items/properties/values/properties/burst/type",keyword:"type",params:{type:"object"},message:"must \
be object"}],!1;var u=c===e}else var u=!0;if(u){if(d.files!==void 0){let t=d.files;const c=e;if(e===c)if(t&&typeof t=="object"&&!Array.isArray(t)){let l;if(t.kind===
void 0&&(l="kind")||t.quality===void 0&&(l="quality")||t.size===void 0&&(l="size"))return p.errors=[{instancePath:s+"/setups/"+a+"/values/files",schemaPath:"#/p\
roperties/setups/items/properties/values/properties/files/required",keyword:"required",params:{missingProperty:l},message:"must have required property '"+l+"'"}],
!1;{const _=e;for(const r in t)if(!(r==="kind"||r==="quality"||r==="size")){return p.errors=[{instancePath:s+"/setups/"+a+"/values/files",schemaPath:"#/properti\
es/setups/items/properties/values/properties/files/additionalProperties",keyword:"additionalProperties",params:{additionalProperty:r},message:"must NOT have add\
itional properties"}],!1;break}if(_===e){if(t.kind!==void 0){let r=t.kind;const n=e;if(!(r==="dng"||r==="dng+jpeg"||r==="jpeg"||r==="tiff"||r==="png"||r==="png1\
6"))return p.errors=[{instancePath:s+"/setups/"+a+"/values/files/kind",schemaPath:"#/properties/setups/items/properties/values/properties/files/properties/kind/\
enum",keyword:"enum",params:{allowedValues:F.properties.setups.items.properties.values.properties.files.properties.kind.enum},message:"must be equal to one of t\
he allowed values"}],!1;var y=n===e}else var y=!0;if(y){if(t.quality!==void 0){let r=t.quality;const n=e;if(!(typeof r=="number"&&!(r%1)&&!isNaN(r)&&isFinite(r)))
return p.errors=[{instancePath:s+"/setups/"+a+"/values/files/quality",schemaPath:"#/properties/setups/items/properties/values/properties/files/properties/qualit\
y/type",keyword:"type",params:{type:"integer"},message:"must be integer"}],!1;if(e===n&&typeof r=="number"&&isFinite(r)){if(r>100||isNaN(r))return p.errors=[{instancePath:s+
"/setups/"+a+"/values/files/quality",schemaPath:"#/properties/setups/items/properties/values/properties/files/properties/quality/maximum",keyword:"maximum",params:{
comparison:"<=",limit:100},message:"must be <= 100"}],!1;if(r<60||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/files/quality",schemaPath:"#/p\
roperties/setups/items/properties/values/properties/files/properties/quality/minimum",keyword:"minimum",params:{comparison:">=",limit:60},message:"must be >= 60"}],
!1}var y=n===e}else var y=!0;if(y)if(t.size!==void 0){let r=t.size;const n=e;if(!(r===1||r===2||r===4))return p.errors=[{instancePath:s+"/setups/"+a+"/values/fi\
les/size",schemaPath:"#/properties/setups/items/properties/values/properties/files/properties/size/enum",keyword:"enum",params:{allowedValues:F.properties.setups.
items.properties.values.properties.files.properties.size.enum},message:"must be equal to one of the allowed values"}],!1;var y=n===e}else var y=!0}}}}else return p.
errors=[{instancePath:s+"/setups/"+a+"/values/files",schemaPath:"#/properties/setups/items/properties/values/properties/files/type",keyword:"type",params:{type:"\
object"},message:"must be object"}],!1;var u=c===e}else var u=!0;if(u){if(d.white!==void 0){let t=d.white;const c=e;if(e===c)if(t&&typeof t=="object"&&!Array.isArray(
t)){let l;if(t.auto===void 0&&(l="auto")||t.exact===void 0&&(l="exact")||t.tint===void 0&&(l="tint"))return p.errors=[{instancePath:s+"/setups/"+a+"/values/whit\
e",schemaPath:"#/properties/setups/items/properties/values/properties/white/required",keyword:"required",params:{missingProperty:l},message:"must have required \
property '"+l+"'"}],!1;{const _=e;for(const r in t)if(!(r==="auto"||r==="exact"||r==="tint")){return p.errors=[{instancePath:s+"/setups/"+a+"/values/white",schemaPath:"\
#/properties/setups/items/properties/values/properties/white/additionalProperties",keyword:"additionalProperties",params:{additionalProperty:r},message:"must NO\
T have additional properties"}],!1;break}if(_===e){if(t.auto!==void 0){const r=e;if(typeof t.auto!="boolean")return p.errors=[{instancePath:s+"/setups/"+a+"/val\
ues/white/auto",schemaPath:"#/properties/setups/items/properties/values/properties/white/properties/auto/type",keyword:"type",params:{type:"boolean"},message:"m\
ust be boolean"}],!1;var k=r===e}else var k=!0;if(k){if(t.exact!==void 0){let r=t.exact;const n=e;if(e===n)if(typeof r=="number"&&isFinite(r)){if(r>12e3||isNaN(
r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/white/exact",schemaPath:"#/properties/setups/items/properties/values/properties/white/properties/exact\
/maximum",keyword:"maximum",params:{comparison:"<=",limit:12e3},message:"must be <= 12000"}],!1;if(r<2e3||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+
"/values/white/exact",schemaPath:"#/properties/setups/items/properties/values/properties/white/properties/exact/minimum",keyword:"minimum",params:{comparison:">\
=",limit:2e3},message:"must be >= 2000"}],!1}else return p.errors=[{instancePath:s+"/setups/"+a+"/values/white/exact",schemaPath:"#/properties/setups/items/prop\
erties/values/properties/white/properties/exact/type",keyword:"type",params:{type:"number"},message:"must be number"}],!1;var k=n===e}else var k=!0;if(k)if(t.tint!==
void 0){let r=t.tint;const n=e;if(e===n)if(typeof r=="number"&&isFinite(r)){if(r>150||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/white/tint",
schemaPath:"#/properties/setups/items/properties/values/properties/white/properties/tint/maximum",keyword:"maximum",params:{comparison:"<=",limit:150},message:"\
must be <= 150"}],!1;if(r<-150||isNaN(r))return p.errors=[{instancePath:s+"/setups/"+a+"/values/white/tint",schemaPath:"#/properties/setups/items/properties/val\
ues/properties/white/properties/tint/minimum",keyword:"minimum",params:{comparison:">=",limit:-150},message:"must be >= -150"}],!1}else return p.errors=[{instancePath:s+
"/setups/"+a+"/values/white/tint",schemaPath:"#/properties/setups/items/properties/values/properties/white/properties/tint/type",keyword:"type",params:{type:"nu\
mber"},message:"must be number"}],!1;var k=n===e}else var k=!0}}}}else return p.errors=[{instancePath:s+"/setups/"+a+"/values/white",schemaPath:"#/properties/se\
tups/items/properties/values/properties/white/type",keyword:"type",params:{type:"object"},message:"must be object"}],!1;var u=c===e}else var u=!0;if(u){if(d.pictures!==
void 0){let t=d.pictures;const c=e;if(!(typeof t=="number"&&!(t%1)&&!isNaN(t)&&isFinite(t)))return p.errors=[{instancePath:s+"/setups/"+a+"/values/pictures",schemaPath:"\
#/properties/setups/items/properties/values/properties/pictures/type",keyword:"type",params:{type:"integer"},message:"must be integer"}],!1;if(e===c&&typeof t==
"number"&&isFinite(t)){if(t>64||isNaN(t))return p.errors=[{instancePath:s+"/setups/"+a+"/values/pictures",schemaPath:"#/properties/setups/items/properties/value\
s/properties/pictures/maximum",keyword:"maximum",params:{comparison:"<=",limit:64},message:"must be <= 64"}],!1;if(t<0||isNaN(t))return p.errors=[{instancePath:s+
"/setups/"+a+"/values/pictures",schemaPath:"#/properties/setups/items/properties/values/properties/pictures/minimum",keyword:"minimum",params:{comparison:">=",limit:0},
message:"must be >= 0"}],!1}var u=c===e}else var u=!0;if(u){if(d.print!==void 0){let t=d.print;const c=e,B=e;let l=!1;const _=e;P(t,{instancePath:s+"/setups/"+a+
"/values/print",parentData:d,parentDataProperty:"print",rootData:T})||(i=i===null?P.errors:i.concat(P.errors),e=i.length);var g=_===e;if(l=l||g,!l){const n=e;if(t!==
null){const E={instancePath:s+"/setups/"+a+"/values/print",schemaPath:"#/properties/setups/items/properties/values/properties/print/anyOf/1/type",keyword:"type",
params:{type:"null"},message:"must be null"};i===null?i=[E]:i.push(E),e++}var g=n===e;l=l||g}if(l)e=B,i!==null&&(B?i.length=B:i=null);else{const n={instancePath:s+
"/setups/"+a+"/values/print",schemaPath:"#/properties/setups/items/properties/values/properties/print/anyOf",keyword:"anyOf",params:{},message:"must match a sch\
ema in anyOf"};return i===null?i=[n]:i.push(n),e++,p.errors=i,!1}var u=c===e}else var u=!0;if(u)if(d.lock!==void 0){const t=e;if(typeof d.lock!="boolean")return p.
errors=[{instancePath:s+"/setups/"+a+"/values/lock",schemaPath:"#/properties/setups/items/properties/values/properties/lock/type",keyword:"type",params:{type:"b\
oolean"},message:"must be boolean"}],!1;var u=t===e}else var u=!0}}}}}}}}}}}}}}}}}}else return p.errors=[{instancePath:s+"/setups/"+a+"/values",schemaPath:"#/pr\
operties/setups/items/properties/values/type",keyword:"type",params:{type:"object"},message:"must be object"}],!1;var w=H===e}else var w=!0}}}else return p.errors=
[{instancePath:s+"/setups/"+a,schemaPath:"#/properties/setups/items/type",keyword:"type",params:{type:"object"},message:"must be object"}],!1;var S=G===e;if(!S)
break}}}else return p.errors=[{instancePath:s+"/setups",schemaPath:"#/properties/setups/type",keyword:"type",params:{type:"array"},message:"must be array"}],!1;
var f=z===e}else var f=!0}}}}else return p.errors=[{instancePath:s,schemaPath:"#/type",keyword:"type",params:{type:"object"},message:"must be object"}],!1;return p.
errors=i,e===0}exports.isPrint=x;function x(o,{instancePath:s="",parentData:$,parentDataProperty:L,rootData:T=o}={}){let i=null,e=0;if(e===0)if(o&&typeof o=="object"&&!Array.isArray(o)){let u;if(o.
name===void 0&&(u="name")||o.exposureEv===void 0&&(u="exposureEv")||o.warmthMired===void 0&&(u="warmthMired")||o.contrast===void 0&&(u="contrast")||o.saturation===
void 0&&(u="saturation")||o.mix===void 0&&(u="mix"))return x.errors=[{instancePath:s,schemaPath:"#/required",keyword:"required",params:{missingProperty:u},message:"\
must have required property '"+u+"'"}],!1;{const N=e;for(const m in o)if(!(m==="name"||m==="exposureEv"||m==="warmthMired"||m==="contrast"||m==="saturation"||m===
"mix")){return x.errors=[{instancePath:s,schemaPath:"#/additionalProperties",keyword:"additionalProperties",params:{additionalProperty:m},message:"must NOT have\
 additional properties"}],!1;break}if(N===e){if(o.name!==void 0){const m=e;A(o.name,{instancePath:s+"/name",parentData:o,parentDataProperty:"name",rootData:T})||
(i=i===null?A.errors:i.concat(A.errors),e=i.length);var f=m===e}else var f=!0;if(f){if(o.exposureEv!==void 0){let m=o.exposureEv;const h=e;if(e===h)if(typeof m==
"number"&&isFinite(m)){if(m>3||isNaN(m))return x.errors=[{instancePath:s+"/exposureEv",schemaPath:"#/properties/exposureEv/maximum",keyword:"maximum",params:{comparison:"\
<=",limit:3},message:"must be <= 3"}],!1;if(m<-3||isNaN(m))return x.errors=[{instancePath:s+"/exposureEv",schemaPath:"#/properties/exposureEv/minimum",keyword:"\
minimum",params:{comparison:">=",limit:-3},message:"must be >= -3"}],!1}else return x.errors=[{instancePath:s+"/exposureEv",schemaPath:"#/properties/exposureEv/\
type",keyword:"type",params:{type:"number"},message:"must be number"}],!1;var f=h===e}else var f=!0;if(f){if(o.warmthMired!==void 0){let m=o.warmthMired;const h=e;
if(e===h)if(typeof m=="number"&&isFinite(m)){if(m>100||isNaN(m))return x.errors=[{instancePath:s+"/warmthMired",schemaPath:"#/properties/warmthMired/maximum",keyword:"\
maximum",params:{comparison:"<=",limit:100},message:"must be <= 100"}],!1;if(m<-100||isNaN(m))return x.errors=[{instancePath:s+"/warmthMired",schemaPath:"#/prop\
erties/warmthMired/minimum",keyword:"minimum",params:{comparison:">=",limit:-100},message:"must be >= -100"}],!1}else return x.errors=[{instancePath:s+"/warmthM\
ired",schemaPath:"#/properties/warmthMired/type",keyword:"type",params:{type:"number"},message:"must be number"}],!1;var f=h===e}else var f=!0;if(f){if(o.contrast!==
void 0){let m=o.contrast;const h=e;if(e===h)if(typeof m=="number"&&isFinite(m)){if(m>2||isNaN(m))return x.errors=[{instancePath:s+"/contrast",schemaPath:"#/prop\
erties/contrast/maximum",keyword:"maximum",params:{comparison:"<=",limit:2},message:"must be <= 2"}],!1;if(m<.5||isNaN(m))return x.errors=[{instancePath:s+"/con\
trast",schemaPath:"#/properties/contrast/minimum",keyword:"minimum",params:{comparison:">=",limit:.5},message:"must be >= 0.5"}],!1}else return x.errors=[{instancePath:s+
"/contrast",schemaPath:"#/properties/contrast/type",keyword:"type",params:{type:"number"},message:"must be number"}],!1;var f=h===e}else var f=!0;if(f){if(o.saturation!==
void 0){let m=o.saturation;const h=e;if(e===h)if(typeof m=="number"&&isFinite(m)){if(m>1.5||isNaN(m))return x.errors=[{instancePath:s+"/saturation",schemaPath:"\
#/properties/saturation/maximum",keyword:"maximum",params:{comparison:"<=",limit:1.5},message:"must be <= 1.5"}],!1;if(m<0||isNaN(m))return x.errors=[{instancePath:s+
"/saturation",schemaPath:"#/properties/saturation/minimum",keyword:"minimum",params:{comparison:">=",limit:0},message:"must be >= 0"}],!1}else return x.errors=[
{instancePath:s+"/saturation",schemaPath:"#/properties/saturation/type",keyword:"type",params:{type:"number"},message:"must be number"}],!1;var f=h===e}else var f=!0;
if(f)if(o.mix!==void 0){let m=o.mix;const h=e,M=e;let b=!1;const j=e;if(e===j)if(Array.isArray(m))if(m.length>3){const y={instancePath:s+"/mix",schemaPath:"#/pr\
operties/mix/anyOf/0/maxItems",keyword:"maxItems",params:{limit:3},message:"must NOT have more than 3 items"};i===null?i=[y]:i.push(y),e++}else if(m.length<3){const y={
instancePath:s+"/mix",schemaPath:"#/properties/mix/anyOf/0/minItems",keyword:"minItems",params:{limit:3},message:"must NOT have fewer than 3 items"};i===null?i=
[y]:i.push(y),e++}else{var S=!0;const y=m.length;for(let k=0;k<y;k++){let g=m[k];const I=e;if(e===I)if(typeof g=="number"&&isFinite(g)){if(g>2||isNaN(g)){const v={
instancePath:s+"/mix/"+k,schemaPath:"#/properties/mix/anyOf/0/items/maximum",keyword:"maximum",params:{comparison:"<=",limit:2},message:"must be <= 2"};i===null?
i=[v]:i.push(v),e++}else if(g<-1||isNaN(g)){const v={instancePath:s+"/mix/"+k,schemaPath:"#/properties/mix/anyOf/0/items/minimum",keyword:"minimum",params:{comparison:"\
>=",limit:-1},message:"must be >= -1"};i===null?i=[v]:i.push(v),e++}}else{const v={instancePath:s+"/mix/"+k,schemaPath:"#/properties/mix/anyOf/0/items/type",keyword:"\
type",params:{type:"number"},message:"must be number"};i===null?i=[v]:i.push(v),e++}var S=I===e;if(!S)break}}else{const y={instancePath:s+"/mix",schemaPath:"#/p\
roperties/mix/anyOf/0/type",keyword:"type",params:{type:"array"},message:"must be array"};i===null?i=[y]:i.push(y),e++}var w=j===e;if(b=b||w,!b){const y=e;if(m!==
null){const g={instancePath:s+"/mix",schemaPath:"#/properties/mix/anyOf/1/type",keyword:"type",params:{type:"null"},message:"must be null"};i===null?i=[g]:i.push(
g),e++}var w=y===e;b=b||w}if(b)e=M,i!==null&&(M?i.length=M:i=null);else{const y={instancePath:s+"/mix",schemaPath:"#/properties/mix/anyOf",keyword:"anyOf",params:{},
message:"must match a schema in anyOf"};return i===null?i=[y]:i.push(y),e++,x.errors=i,!1}var f=h===e}else var f=!0}}}}}}}else return x.errors=[{instancePath:s,
schemaPath:"#/type",keyword:"type",params:{type:"object"},message:"must be object"}],!1;return x.errors=i,e===0}
