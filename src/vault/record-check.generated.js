// Made by tools/checks.ts from the JSON schemas. Not to be changed by hand.
"use strict";
exports.isRecord = validate10;
const schema11 = {"type":"object","required":["version","id","timeMs","offsetMinutes","width","height","camera","lens","scene","seed","lensId","focusM","outside","clockS","shutterS","iso","apertureN","compensationEv","shutterAuto","isoAuto","pattern","kelvin","forecast","result","bytes","place"],"properties":{"version":{"const":2},"id":{"type":"string","pattern":"^[0-9a-f]{32}$"},"timeMs":{"type":"number","minimum":-62135510400000,"maximum":253402214400000},"offsetMinutes":{"type":"integer","minimum":-900,"maximum":900},"width":{"type":"integer","minimum":2,"maximum":65535},"height":{"type":"integer","minimum":2,"maximum":65535},"camera":{"type":"string","maxLength":200},"lens":{"type":"string","maxLength":200},"scene":{"type":"string","maxLength":200},"seed":{"type":"integer","minimum":-9007199254740991,"maximum":9007199254740991},"lensId":{"enum":["ultra-wide","wide","tele","zoom-24","zoom-35","zoom-50","zoom-77"]},"focusM":{"type":["number","null"],"exclusiveMinimum":0,"maximum":1000000000},"clockS":{"type":"number","minimum":-1000000000,"maximum":1000000000},"outside":{"type":"object","required":["levels","support","wheel"],"properties":{"levels":{"type":"object","additionalProperties":{"type":"number","minimum":0,"maximum":1}},"support":{"enum":["hand","tripod"]},"wheel":{"enum":["still","slow","fast"]}}},"shutterS":{"type":"number","minimum":1e-9,"maximum":1000000},"iso":{"type":"number","minimum":0.001,"maximum":100000000},"apertureN":{"type":"number","minimum":0.1,"maximum":1000},"compensationEv":{"type":"number","minimum":-5,"maximum":5},"shutterAuto":{"type":"boolean"},"isoAuto":{"type":"boolean"},"pattern":{"enum":["evaluative","centre","spot","highlight"]},"filterStops":{"type":"number","minimum":0,"maximum":40},"apertureAuto":{"type":"boolean"},"kelvin":{"type":"number","minimum":100,"maximum":1000000},"forecast":{"$ref":"#/$defs/outlook"},"result":{"$ref":"#/$defs/outlook"},"bytes":{"type":"integer","minimum":1,"maximum":1099511627776},"place":{"oneOf":[{"type":"object","required":["kind"],"properties":{"kind":{"const":"stored"}}},{"type":"object","required":["kind","url"],"properties":{"kind":{"const":"served"},"url":{"type":"string","maxLength":2000}}}]}},"$defs":{"outlook":{"type":"object","required":["channels","headroomEv"],"properties":{"headroomEv":{"type":["number","null"],"minimum":-100,"maximum":100},"channels":{"type":"array","maxItems":16,"items":{"type":"object","required":["name","clippedShare","belowFloorShare"],"properties":{"name":{"type":"string","maxLength":200},"clippedShare":{"type":"number","minimum":0,"maximum":1},"belowFloorShare":{"type":"number","minimum":0,"maximum":1}}}}}}}};
const schema12 = {"type":"object","required":["channels","headroomEv"],"properties":{"headroomEv":{"type":["number","null"],"minimum":-100,"maximum":100},"channels":{"type":"array","maxItems":16,"items":{"type":"object","required":["name","clippedShare","belowFloorShare"],"properties":{"name":{"type":"string","maxLength":200},"clippedShare":{"type":"number","minimum":0,"maximum":1},"belowFloorShare":{"type":"number","minimum":0,"maximum":1}}}}}};
const pattern0 = new RegExp("^[0-9a-f]{32}$", "u");
const func2 = require("ajv/dist/runtime/ucs2length").default;

function validate10(data, {instancePath="", parentData, parentDataProperty, rootData=data}={}){
let vErrors = null;
let errors = 0;
if(errors === 0){
if(data && typeof data == "object" && !Array.isArray(data)){
let missing0;
if(((((((((((((((((((((((((((data.version === undefined) && (missing0 = "version")) || ((data.id === undefined) && (missing0 = "id"))) || ((data.timeMs === undefined) && (missing0 = "timeMs"))) || ((data.offsetMinutes === undefined) && (missing0 = "offsetMinutes"))) || ((data.width === undefined) && (missing0 = "width"))) || ((data.height === undefined) && (missing0 = "height"))) || ((data.camera === undefined) && (missing0 = "camera"))) || ((data.lens === undefined) && (missing0 = "lens"))) || ((data.scene === undefined) && (missing0 = "scene"))) || ((data.seed === undefined) && (missing0 = "seed"))) || ((data.lensId === undefined) && (missing0 = "lensId"))) || ((data.focusM === undefined) && (missing0 = "focusM"))) || ((data.outside === undefined) && (missing0 = "outside"))) || ((data.clockS === undefined) && (missing0 = "clockS"))) || ((data.shutterS === undefined) && (missing0 = "shutterS"))) || ((data.iso === undefined) && (missing0 = "iso"))) || ((data.apertureN === undefined) && (missing0 = "apertureN"))) || ((data.compensationEv === undefined) && (missing0 = "compensationEv"))) || ((data.shutterAuto === undefined) && (missing0 = "shutterAuto"))) || ((data.isoAuto === undefined) && (missing0 = "isoAuto"))) || ((data.pattern === undefined) && (missing0 = "pattern"))) || ((data.kelvin === undefined) && (missing0 = "kelvin"))) || ((data.forecast === undefined) && (missing0 = "forecast"))) || ((data.result === undefined) && (missing0 = "result"))) || ((data.bytes === undefined) && (missing0 = "bytes"))) || ((data.place === undefined) && (missing0 = "place"))){
validate10.errors = [{instancePath,schemaPath:"#/required",keyword:"required",params:{missingProperty: missing0},message:"must have required property '"+missing0+"'"}];
return false;
}
else {
if(data.version !== undefined){
const _errs1 = errors;
if(2 !== data.version){
validate10.errors = [{instancePath:instancePath+"/version",schemaPath:"#/properties/version/const",keyword:"const",params:{allowedValue: 2},message:"must be equal to constant"}];
return false;
}
var valid0 = _errs1 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.id !== undefined){
let data1 = data.id;
const _errs2 = errors;
if(errors === _errs2){
if(typeof data1 === "string"){
if(!pattern0.test(data1)){
validate10.errors = [{instancePath:instancePath+"/id",schemaPath:"#/properties/id/pattern",keyword:"pattern",params:{pattern: "^[0-9a-f]{32}$"},message:"must match pattern \""+"^[0-9a-f]{32}$"+"\""}];
return false;
}
}
else {
validate10.errors = [{instancePath:instancePath+"/id",schemaPath:"#/properties/id/type",keyword:"type",params:{type: "string"},message:"must be string"}];
return false;
}
}
var valid0 = _errs2 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.timeMs !== undefined){
let data2 = data.timeMs;
const _errs4 = errors;
if(errors === _errs4){
if((typeof data2 == "number") && (isFinite(data2))){
if(data2 > 253402214400000 || isNaN(data2)){
validate10.errors = [{instancePath:instancePath+"/timeMs",schemaPath:"#/properties/timeMs/maximum",keyword:"maximum",params:{comparison: "<=", limit: 253402214400000},message:"must be <= 253402214400000"}];
return false;
}
else {
if(data2 < -62135510400000 || isNaN(data2)){
validate10.errors = [{instancePath:instancePath+"/timeMs",schemaPath:"#/properties/timeMs/minimum",keyword:"minimum",params:{comparison: ">=", limit: -62135510400000},message:"must be >= -62135510400000"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/timeMs",schemaPath:"#/properties/timeMs/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs4 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.offsetMinutes !== undefined){
let data3 = data.offsetMinutes;
const _errs6 = errors;
if(!(((typeof data3 == "number") && (!(data3 % 1) && !isNaN(data3))) && (isFinite(data3)))){
validate10.errors = [{instancePath:instancePath+"/offsetMinutes",schemaPath:"#/properties/offsetMinutes/type",keyword:"type",params:{type: "integer"},message:"must be integer"}];
return false;
}
if(errors === _errs6){
if((typeof data3 == "number") && (isFinite(data3))){
if(data3 > 900 || isNaN(data3)){
validate10.errors = [{instancePath:instancePath+"/offsetMinutes",schemaPath:"#/properties/offsetMinutes/maximum",keyword:"maximum",params:{comparison: "<=", limit: 900},message:"must be <= 900"}];
return false;
}
else {
if(data3 < -900 || isNaN(data3)){
validate10.errors = [{instancePath:instancePath+"/offsetMinutes",schemaPath:"#/properties/offsetMinutes/minimum",keyword:"minimum",params:{comparison: ">=", limit: -900},message:"must be >= -900"}];
return false;
}
}
}
}
var valid0 = _errs6 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.width !== undefined){
let data4 = data.width;
const _errs8 = errors;
if(!(((typeof data4 == "number") && (!(data4 % 1) && !isNaN(data4))) && (isFinite(data4)))){
validate10.errors = [{instancePath:instancePath+"/width",schemaPath:"#/properties/width/type",keyword:"type",params:{type: "integer"},message:"must be integer"}];
return false;
}
if(errors === _errs8){
if((typeof data4 == "number") && (isFinite(data4))){
if(data4 > 65535 || isNaN(data4)){
validate10.errors = [{instancePath:instancePath+"/width",schemaPath:"#/properties/width/maximum",keyword:"maximum",params:{comparison: "<=", limit: 65535},message:"must be <= 65535"}];
return false;
}
else {
if(data4 < 2 || isNaN(data4)){
validate10.errors = [{instancePath:instancePath+"/width",schemaPath:"#/properties/width/minimum",keyword:"minimum",params:{comparison: ">=", limit: 2},message:"must be >= 2"}];
return false;
}
}
}
}
var valid0 = _errs8 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.height !== undefined){
let data5 = data.height;
const _errs10 = errors;
if(!(((typeof data5 == "number") && (!(data5 % 1) && !isNaN(data5))) && (isFinite(data5)))){
validate10.errors = [{instancePath:instancePath+"/height",schemaPath:"#/properties/height/type",keyword:"type",params:{type: "integer"},message:"must be integer"}];
return false;
}
if(errors === _errs10){
if((typeof data5 == "number") && (isFinite(data5))){
if(data5 > 65535 || isNaN(data5)){
validate10.errors = [{instancePath:instancePath+"/height",schemaPath:"#/properties/height/maximum",keyword:"maximum",params:{comparison: "<=", limit: 65535},message:"must be <= 65535"}];
return false;
}
else {
if(data5 < 2 || isNaN(data5)){
validate10.errors = [{instancePath:instancePath+"/height",schemaPath:"#/properties/height/minimum",keyword:"minimum",params:{comparison: ">=", limit: 2},message:"must be >= 2"}];
return false;
}
}
}
}
var valid0 = _errs10 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.camera !== undefined){
let data6 = data.camera;
const _errs12 = errors;
if(errors === _errs12){
if(typeof data6 === "string"){
if(func2(data6) > 200){
validate10.errors = [{instancePath:instancePath+"/camera",schemaPath:"#/properties/camera/maxLength",keyword:"maxLength",params:{limit: 200},message:"must NOT have more than 200 characters"}];
return false;
}
}
else {
validate10.errors = [{instancePath:instancePath+"/camera",schemaPath:"#/properties/camera/type",keyword:"type",params:{type: "string"},message:"must be string"}];
return false;
}
}
var valid0 = _errs12 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.lens !== undefined){
let data7 = data.lens;
const _errs14 = errors;
if(errors === _errs14){
if(typeof data7 === "string"){
if(func2(data7) > 200){
validate10.errors = [{instancePath:instancePath+"/lens",schemaPath:"#/properties/lens/maxLength",keyword:"maxLength",params:{limit: 200},message:"must NOT have more than 200 characters"}];
return false;
}
}
else {
validate10.errors = [{instancePath:instancePath+"/lens",schemaPath:"#/properties/lens/type",keyword:"type",params:{type: "string"},message:"must be string"}];
return false;
}
}
var valid0 = _errs14 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.scene !== undefined){
let data8 = data.scene;
const _errs16 = errors;
if(errors === _errs16){
if(typeof data8 === "string"){
if(func2(data8) > 200){
validate10.errors = [{instancePath:instancePath+"/scene",schemaPath:"#/properties/scene/maxLength",keyword:"maxLength",params:{limit: 200},message:"must NOT have more than 200 characters"}];
return false;
}
}
else {
validate10.errors = [{instancePath:instancePath+"/scene",schemaPath:"#/properties/scene/type",keyword:"type",params:{type: "string"},message:"must be string"}];
return false;
}
}
var valid0 = _errs16 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.seed !== undefined){
let data9 = data.seed;
const _errs18 = errors;
if(!(((typeof data9 == "number") && (!(data9 % 1) && !isNaN(data9))) && (isFinite(data9)))){
validate10.errors = [{instancePath:instancePath+"/seed",schemaPath:"#/properties/seed/type",keyword:"type",params:{type: "integer"},message:"must be integer"}];
return false;
}
if(errors === _errs18){
if((typeof data9 == "number") && (isFinite(data9))){
if(data9 > 9007199254740991 || isNaN(data9)){
validate10.errors = [{instancePath:instancePath+"/seed",schemaPath:"#/properties/seed/maximum",keyword:"maximum",params:{comparison: "<=", limit: 9007199254740991},message:"must be <= 9007199254740991"}];
return false;
}
else {
if(data9 < -9007199254740991 || isNaN(data9)){
validate10.errors = [{instancePath:instancePath+"/seed",schemaPath:"#/properties/seed/minimum",keyword:"minimum",params:{comparison: ">=", limit: -9007199254740991},message:"must be >= -9007199254740991"}];
return false;
}
}
}
}
var valid0 = _errs18 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.lensId !== undefined){
let data10 = data.lensId;
const _errs20 = errors;
if(!(((((((data10 === "ultra-wide") || (data10 === "wide")) || (data10 === "tele")) || (data10 === "zoom-24")) || (data10 === "zoom-35")) || (data10 === "zoom-50")) || (data10 === "zoom-77"))){
validate10.errors = [{instancePath:instancePath+"/lensId",schemaPath:"#/properties/lensId/enum",keyword:"enum",params:{allowedValues: schema11.properties.lensId.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid0 = _errs20 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.focusM !== undefined){
let data11 = data.focusM;
const _errs21 = errors;
if((!((typeof data11 == "number") && (isFinite(data11)))) && (data11 !== null)){
validate10.errors = [{instancePath:instancePath+"/focusM",schemaPath:"#/properties/focusM/type",keyword:"type",params:{type: schema11.properties.focusM.type},message:"must be number,null"}];
return false;
}
if(errors === _errs21){
if((typeof data11 == "number") && (isFinite(data11))){
if(data11 > 1000000000 || isNaN(data11)){
validate10.errors = [{instancePath:instancePath+"/focusM",schemaPath:"#/properties/focusM/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1000000000},message:"must be <= 1000000000"}];
return false;
}
else {
if(data11 <= 0 || isNaN(data11)){
validate10.errors = [{instancePath:instancePath+"/focusM",schemaPath:"#/properties/focusM/exclusiveMinimum",keyword:"exclusiveMinimum",params:{comparison: ">", limit: 0},message:"must be > 0"}];
return false;
}
}
}
}
var valid0 = _errs21 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.clockS !== undefined){
let data12 = data.clockS;
const _errs23 = errors;
if(errors === _errs23){
if((typeof data12 == "number") && (isFinite(data12))){
if(data12 > 1000000000 || isNaN(data12)){
validate10.errors = [{instancePath:instancePath+"/clockS",schemaPath:"#/properties/clockS/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1000000000},message:"must be <= 1000000000"}];
return false;
}
else {
if(data12 < -1000000000 || isNaN(data12)){
validate10.errors = [{instancePath:instancePath+"/clockS",schemaPath:"#/properties/clockS/minimum",keyword:"minimum",params:{comparison: ">=", limit: -1000000000},message:"must be >= -1000000000"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/clockS",schemaPath:"#/properties/clockS/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs23 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.outside !== undefined){
let data13 = data.outside;
const _errs25 = errors;
if(errors === _errs25){
if(data13 && typeof data13 == "object" && !Array.isArray(data13)){
let missing1;
if((((data13.levels === undefined) && (missing1 = "levels")) || ((data13.support === undefined) && (missing1 = "support"))) || ((data13.wheel === undefined) && (missing1 = "wheel"))){
validate10.errors = [{instancePath:instancePath+"/outside",schemaPath:"#/properties/outside/required",keyword:"required",params:{missingProperty: missing1},message:"must have required property '"+missing1+"'"}];
return false;
}
else {
if(data13.levels !== undefined){
let data14 = data13.levels;
const _errs27 = errors;
if(errors === _errs27){
if(data14 && typeof data14 == "object" && !Array.isArray(data14)){
for(const key0 in data14){
let data15 = data14[key0];
const _errs30 = errors;
if(errors === _errs30){
if((typeof data15 == "number") && (isFinite(data15))){
if(data15 > 1 || isNaN(data15)){
validate10.errors = [{instancePath:instancePath+"/outside/levels/" + key0.replace(/~/g, "~0").replace(/\//g, "~1"),schemaPath:"#/properties/outside/properties/levels/additionalProperties/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1},message:"must be <= 1"}];
return false;
}
else {
if(data15 < 0 || isNaN(data15)){
validate10.errors = [{instancePath:instancePath+"/outside/levels/" + key0.replace(/~/g, "~0").replace(/\//g, "~1"),schemaPath:"#/properties/outside/properties/levels/additionalProperties/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/outside/levels/" + key0.replace(/~/g, "~0").replace(/\//g, "~1"),schemaPath:"#/properties/outside/properties/levels/additionalProperties/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid2 = _errs30 === errors;
if(!valid2){
break;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/outside/levels",schemaPath:"#/properties/outside/properties/levels/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid1 = _errs27 === errors;
}
else {
var valid1 = true;
}
if(valid1){
if(data13.support !== undefined){
let data16 = data13.support;
const _errs32 = errors;
if(!((data16 === "hand") || (data16 === "tripod"))){
validate10.errors = [{instancePath:instancePath+"/outside/support",schemaPath:"#/properties/outside/properties/support/enum",keyword:"enum",params:{allowedValues: schema11.properties.outside.properties.support.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid1 = _errs32 === errors;
}
else {
var valid1 = true;
}
if(valid1){
if(data13.wheel !== undefined){
let data17 = data13.wheel;
const _errs33 = errors;
if(!(((data17 === "still") || (data17 === "slow")) || (data17 === "fast"))){
validate10.errors = [{instancePath:instancePath+"/outside/wheel",schemaPath:"#/properties/outside/properties/wheel/enum",keyword:"enum",params:{allowedValues: schema11.properties.outside.properties.wheel.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid1 = _errs33 === errors;
}
else {
var valid1 = true;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/outside",schemaPath:"#/properties/outside/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid0 = _errs25 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.shutterS !== undefined){
let data18 = data.shutterS;
const _errs34 = errors;
if(errors === _errs34){
if((typeof data18 == "number") && (isFinite(data18))){
if(data18 > 1000000 || isNaN(data18)){
validate10.errors = [{instancePath:instancePath+"/shutterS",schemaPath:"#/properties/shutterS/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1000000},message:"must be <= 1000000"}];
return false;
}
else {
if(data18 < 1e-9 || isNaN(data18)){
validate10.errors = [{instancePath:instancePath+"/shutterS",schemaPath:"#/properties/shutterS/minimum",keyword:"minimum",params:{comparison: ">=", limit: 1e-9},message:"must be >= 1e-9"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/shutterS",schemaPath:"#/properties/shutterS/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs34 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.iso !== undefined){
let data19 = data.iso;
const _errs36 = errors;
if(errors === _errs36){
if((typeof data19 == "number") && (isFinite(data19))){
if(data19 > 100000000 || isNaN(data19)){
validate10.errors = [{instancePath:instancePath+"/iso",schemaPath:"#/properties/iso/maximum",keyword:"maximum",params:{comparison: "<=", limit: 100000000},message:"must be <= 100000000"}];
return false;
}
else {
if(data19 < 0.001 || isNaN(data19)){
validate10.errors = [{instancePath:instancePath+"/iso",schemaPath:"#/properties/iso/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0.001},message:"must be >= 0.001"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/iso",schemaPath:"#/properties/iso/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs36 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.apertureN !== undefined){
let data20 = data.apertureN;
const _errs38 = errors;
if(errors === _errs38){
if((typeof data20 == "number") && (isFinite(data20))){
if(data20 > 1000 || isNaN(data20)){
validate10.errors = [{instancePath:instancePath+"/apertureN",schemaPath:"#/properties/apertureN/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1000},message:"must be <= 1000"}];
return false;
}
else {
if(data20 < 0.1 || isNaN(data20)){
validate10.errors = [{instancePath:instancePath+"/apertureN",schemaPath:"#/properties/apertureN/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0.1},message:"must be >= 0.1"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/apertureN",schemaPath:"#/properties/apertureN/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs38 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.compensationEv !== undefined){
let data21 = data.compensationEv;
const _errs40 = errors;
if(errors === _errs40){
if((typeof data21 == "number") && (isFinite(data21))){
if(data21 > 5 || isNaN(data21)){
validate10.errors = [{instancePath:instancePath+"/compensationEv",schemaPath:"#/properties/compensationEv/maximum",keyword:"maximum",params:{comparison: "<=", limit: 5},message:"must be <= 5"}];
return false;
}
else {
if(data21 < -5 || isNaN(data21)){
validate10.errors = [{instancePath:instancePath+"/compensationEv",schemaPath:"#/properties/compensationEv/minimum",keyword:"minimum",params:{comparison: ">=", limit: -5},message:"must be >= -5"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/compensationEv",schemaPath:"#/properties/compensationEv/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs40 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.shutterAuto !== undefined){
const _errs42 = errors;
if(typeof data.shutterAuto !== "boolean"){
validate10.errors = [{instancePath:instancePath+"/shutterAuto",schemaPath:"#/properties/shutterAuto/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid0 = _errs42 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.isoAuto !== undefined){
const _errs44 = errors;
if(typeof data.isoAuto !== "boolean"){
validate10.errors = [{instancePath:instancePath+"/isoAuto",schemaPath:"#/properties/isoAuto/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid0 = _errs44 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.pattern !== undefined){
let data24 = data.pattern;
const _errs46 = errors;
if(!((((data24 === "evaluative") || (data24 === "centre")) || (data24 === "spot")) || (data24 === "highlight"))){
validate10.errors = [{instancePath:instancePath+"/pattern",schemaPath:"#/properties/pattern/enum",keyword:"enum",params:{allowedValues: schema11.properties.pattern.enum},message:"must be equal to one of the allowed values"}];
return false;
}
var valid0 = _errs46 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.filterStops !== undefined){
let data25 = data.filterStops;
const _errs47 = errors;
if(errors === _errs47){
if((typeof data25 == "number") && (isFinite(data25))){
if(data25 > 40 || isNaN(data25)){
validate10.errors = [{instancePath:instancePath+"/filterStops",schemaPath:"#/properties/filterStops/maximum",keyword:"maximum",params:{comparison: "<=", limit: 40},message:"must be <= 40"}];
return false;
}
else {
if(data25 < 0 || isNaN(data25)){
validate10.errors = [{instancePath:instancePath+"/filterStops",schemaPath:"#/properties/filterStops/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/filterStops",schemaPath:"#/properties/filterStops/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs47 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.apertureAuto !== undefined){
const _errs49 = errors;
if(typeof data.apertureAuto !== "boolean"){
validate10.errors = [{instancePath:instancePath+"/apertureAuto",schemaPath:"#/properties/apertureAuto/type",keyword:"type",params:{type: "boolean"},message:"must be boolean"}];
return false;
}
var valid0 = _errs49 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.kelvin !== undefined){
let data27 = data.kelvin;
const _errs51 = errors;
if(errors === _errs51){
if((typeof data27 == "number") && (isFinite(data27))){
if(data27 > 1000000 || isNaN(data27)){
validate10.errors = [{instancePath:instancePath+"/kelvin",schemaPath:"#/properties/kelvin/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1000000},message:"must be <= 1000000"}];
return false;
}
else {
if(data27 < 100 || isNaN(data27)){
validate10.errors = [{instancePath:instancePath+"/kelvin",schemaPath:"#/properties/kelvin/minimum",keyword:"minimum",params:{comparison: ">=", limit: 100},message:"must be >= 100"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/kelvin",schemaPath:"#/properties/kelvin/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid0 = _errs51 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.forecast !== undefined){
let data28 = data.forecast;
const _errs53 = errors;
const _errs54 = errors;
if(errors === _errs54){
if(data28 && typeof data28 == "object" && !Array.isArray(data28)){
let missing2;
if(((data28.channels === undefined) && (missing2 = "channels")) || ((data28.headroomEv === undefined) && (missing2 = "headroomEv"))){
validate10.errors = [{instancePath:instancePath+"/forecast",schemaPath:"#/$defs/outlook/required",keyword:"required",params:{missingProperty: missing2},message:"must have required property '"+missing2+"'"}];
return false;
}
else {
if(data28.headroomEv !== undefined){
let data29 = data28.headroomEv;
const _errs56 = errors;
if((!((typeof data29 == "number") && (isFinite(data29)))) && (data29 !== null)){
validate10.errors = [{instancePath:instancePath+"/forecast/headroomEv",schemaPath:"#/$defs/outlook/properties/headroomEv/type",keyword:"type",params:{type: schema12.properties.headroomEv.type},message:"must be number,null"}];
return false;
}
if(errors === _errs56){
if((typeof data29 == "number") && (isFinite(data29))){
if(data29 > 100 || isNaN(data29)){
validate10.errors = [{instancePath:instancePath+"/forecast/headroomEv",schemaPath:"#/$defs/outlook/properties/headroomEv/maximum",keyword:"maximum",params:{comparison: "<=", limit: 100},message:"must be <= 100"}];
return false;
}
else {
if(data29 < -100 || isNaN(data29)){
validate10.errors = [{instancePath:instancePath+"/forecast/headroomEv",schemaPath:"#/$defs/outlook/properties/headroomEv/minimum",keyword:"minimum",params:{comparison: ">=", limit: -100},message:"must be >= -100"}];
return false;
}
}
}
}
var valid4 = _errs56 === errors;
}
else {
var valid4 = true;
}
if(valid4){
if(data28.channels !== undefined){
let data30 = data28.channels;
const _errs58 = errors;
if(errors === _errs58){
if(Array.isArray(data30)){
if(data30.length > 16){
validate10.errors = [{instancePath:instancePath+"/forecast/channels",schemaPath:"#/$defs/outlook/properties/channels/maxItems",keyword:"maxItems",params:{limit: 16},message:"must NOT have more than 16 items"}];
return false;
}
else {
var valid5 = true;
const len0 = data30.length;
for(let i0=0; i0<len0; i0++){
let data31 = data30[i0];
const _errs60 = errors;
if(errors === _errs60){
if(data31 && typeof data31 == "object" && !Array.isArray(data31)){
let missing3;
if((((data31.name === undefined) && (missing3 = "name")) || ((data31.clippedShare === undefined) && (missing3 = "clippedShare"))) || ((data31.belowFloorShare === undefined) && (missing3 = "belowFloorShare"))){
validate10.errors = [{instancePath:instancePath+"/forecast/channels/" + i0,schemaPath:"#/$defs/outlook/properties/channels/items/required",keyword:"required",params:{missingProperty: missing3},message:"must have required property '"+missing3+"'"}];
return false;
}
else {
if(data31.name !== undefined){
let data32 = data31.name;
const _errs62 = errors;
if(errors === _errs62){
if(typeof data32 === "string"){
if(func2(data32) > 200){
validate10.errors = [{instancePath:instancePath+"/forecast/channels/" + i0+"/name",schemaPath:"#/$defs/outlook/properties/channels/items/properties/name/maxLength",keyword:"maxLength",params:{limit: 200},message:"must NOT have more than 200 characters"}];
return false;
}
}
else {
validate10.errors = [{instancePath:instancePath+"/forecast/channels/" + i0+"/name",schemaPath:"#/$defs/outlook/properties/channels/items/properties/name/type",keyword:"type",params:{type: "string"},message:"must be string"}];
return false;
}
}
var valid6 = _errs62 === errors;
}
else {
var valid6 = true;
}
if(valid6){
if(data31.clippedShare !== undefined){
let data33 = data31.clippedShare;
const _errs64 = errors;
if(errors === _errs64){
if((typeof data33 == "number") && (isFinite(data33))){
if(data33 > 1 || isNaN(data33)){
validate10.errors = [{instancePath:instancePath+"/forecast/channels/" + i0+"/clippedShare",schemaPath:"#/$defs/outlook/properties/channels/items/properties/clippedShare/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1},message:"must be <= 1"}];
return false;
}
else {
if(data33 < 0 || isNaN(data33)){
validate10.errors = [{instancePath:instancePath+"/forecast/channels/" + i0+"/clippedShare",schemaPath:"#/$defs/outlook/properties/channels/items/properties/clippedShare/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/forecast/channels/" + i0+"/clippedShare",schemaPath:"#/$defs/outlook/properties/channels/items/properties/clippedShare/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid6 = _errs64 === errors;
}
else {
var valid6 = true;
}
if(valid6){
if(data31.belowFloorShare !== undefined){
let data34 = data31.belowFloorShare;
const _errs66 = errors;
if(errors === _errs66){
if((typeof data34 == "number") && (isFinite(data34))){
if(data34 > 1 || isNaN(data34)){
validate10.errors = [{instancePath:instancePath+"/forecast/channels/" + i0+"/belowFloorShare",schemaPath:"#/$defs/outlook/properties/channels/items/properties/belowFloorShare/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1},message:"must be <= 1"}];
return false;
}
else {
if(data34 < 0 || isNaN(data34)){
validate10.errors = [{instancePath:instancePath+"/forecast/channels/" + i0+"/belowFloorShare",schemaPath:"#/$defs/outlook/properties/channels/items/properties/belowFloorShare/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/forecast/channels/" + i0+"/belowFloorShare",schemaPath:"#/$defs/outlook/properties/channels/items/properties/belowFloorShare/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid6 = _errs66 === errors;
}
else {
var valid6 = true;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/forecast/channels/" + i0,schemaPath:"#/$defs/outlook/properties/channels/items/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid5 = _errs60 === errors;
if(!valid5){
break;
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/forecast/channels",schemaPath:"#/$defs/outlook/properties/channels/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
var valid4 = _errs58 === errors;
}
else {
var valid4 = true;
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/forecast",schemaPath:"#/$defs/outlook/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid0 = _errs53 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.result !== undefined){
let data35 = data.result;
const _errs68 = errors;
const _errs69 = errors;
if(errors === _errs69){
if(data35 && typeof data35 == "object" && !Array.isArray(data35)){
let missing4;
if(((data35.channels === undefined) && (missing4 = "channels")) || ((data35.headroomEv === undefined) && (missing4 = "headroomEv"))){
validate10.errors = [{instancePath:instancePath+"/result",schemaPath:"#/$defs/outlook/required",keyword:"required",params:{missingProperty: missing4},message:"must have required property '"+missing4+"'"}];
return false;
}
else {
if(data35.headroomEv !== undefined){
let data36 = data35.headroomEv;
const _errs71 = errors;
if((!((typeof data36 == "number") && (isFinite(data36)))) && (data36 !== null)){
validate10.errors = [{instancePath:instancePath+"/result/headroomEv",schemaPath:"#/$defs/outlook/properties/headroomEv/type",keyword:"type",params:{type: schema12.properties.headroomEv.type},message:"must be number,null"}];
return false;
}
if(errors === _errs71){
if((typeof data36 == "number") && (isFinite(data36))){
if(data36 > 100 || isNaN(data36)){
validate10.errors = [{instancePath:instancePath+"/result/headroomEv",schemaPath:"#/$defs/outlook/properties/headroomEv/maximum",keyword:"maximum",params:{comparison: "<=", limit: 100},message:"must be <= 100"}];
return false;
}
else {
if(data36 < -100 || isNaN(data36)){
validate10.errors = [{instancePath:instancePath+"/result/headroomEv",schemaPath:"#/$defs/outlook/properties/headroomEv/minimum",keyword:"minimum",params:{comparison: ">=", limit: -100},message:"must be >= -100"}];
return false;
}
}
}
}
var valid8 = _errs71 === errors;
}
else {
var valid8 = true;
}
if(valid8){
if(data35.channels !== undefined){
let data37 = data35.channels;
const _errs73 = errors;
if(errors === _errs73){
if(Array.isArray(data37)){
if(data37.length > 16){
validate10.errors = [{instancePath:instancePath+"/result/channels",schemaPath:"#/$defs/outlook/properties/channels/maxItems",keyword:"maxItems",params:{limit: 16},message:"must NOT have more than 16 items"}];
return false;
}
else {
var valid9 = true;
const len1 = data37.length;
for(let i1=0; i1<len1; i1++){
let data38 = data37[i1];
const _errs75 = errors;
if(errors === _errs75){
if(data38 && typeof data38 == "object" && !Array.isArray(data38)){
let missing5;
if((((data38.name === undefined) && (missing5 = "name")) || ((data38.clippedShare === undefined) && (missing5 = "clippedShare"))) || ((data38.belowFloorShare === undefined) && (missing5 = "belowFloorShare"))){
validate10.errors = [{instancePath:instancePath+"/result/channels/" + i1,schemaPath:"#/$defs/outlook/properties/channels/items/required",keyword:"required",params:{missingProperty: missing5},message:"must have required property '"+missing5+"'"}];
return false;
}
else {
if(data38.name !== undefined){
let data39 = data38.name;
const _errs77 = errors;
if(errors === _errs77){
if(typeof data39 === "string"){
if(func2(data39) > 200){
validate10.errors = [{instancePath:instancePath+"/result/channels/" + i1+"/name",schemaPath:"#/$defs/outlook/properties/channels/items/properties/name/maxLength",keyword:"maxLength",params:{limit: 200},message:"must NOT have more than 200 characters"}];
return false;
}
}
else {
validate10.errors = [{instancePath:instancePath+"/result/channels/" + i1+"/name",schemaPath:"#/$defs/outlook/properties/channels/items/properties/name/type",keyword:"type",params:{type: "string"},message:"must be string"}];
return false;
}
}
var valid10 = _errs77 === errors;
}
else {
var valid10 = true;
}
if(valid10){
if(data38.clippedShare !== undefined){
let data40 = data38.clippedShare;
const _errs79 = errors;
if(errors === _errs79){
if((typeof data40 == "number") && (isFinite(data40))){
if(data40 > 1 || isNaN(data40)){
validate10.errors = [{instancePath:instancePath+"/result/channels/" + i1+"/clippedShare",schemaPath:"#/$defs/outlook/properties/channels/items/properties/clippedShare/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1},message:"must be <= 1"}];
return false;
}
else {
if(data40 < 0 || isNaN(data40)){
validate10.errors = [{instancePath:instancePath+"/result/channels/" + i1+"/clippedShare",schemaPath:"#/$defs/outlook/properties/channels/items/properties/clippedShare/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/result/channels/" + i1+"/clippedShare",schemaPath:"#/$defs/outlook/properties/channels/items/properties/clippedShare/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid10 = _errs79 === errors;
}
else {
var valid10 = true;
}
if(valid10){
if(data38.belowFloorShare !== undefined){
let data41 = data38.belowFloorShare;
const _errs81 = errors;
if(errors === _errs81){
if((typeof data41 == "number") && (isFinite(data41))){
if(data41 > 1 || isNaN(data41)){
validate10.errors = [{instancePath:instancePath+"/result/channels/" + i1+"/belowFloorShare",schemaPath:"#/$defs/outlook/properties/channels/items/properties/belowFloorShare/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1},message:"must be <= 1"}];
return false;
}
else {
if(data41 < 0 || isNaN(data41)){
validate10.errors = [{instancePath:instancePath+"/result/channels/" + i1+"/belowFloorShare",schemaPath:"#/$defs/outlook/properties/channels/items/properties/belowFloorShare/minimum",keyword:"minimum",params:{comparison: ">=", limit: 0},message:"must be >= 0"}];
return false;
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/result/channels/" + i1+"/belowFloorShare",schemaPath:"#/$defs/outlook/properties/channels/items/properties/belowFloorShare/type",keyword:"type",params:{type: "number"},message:"must be number"}];
return false;
}
}
var valid10 = _errs81 === errors;
}
else {
var valid10 = true;
}
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/result/channels/" + i1,schemaPath:"#/$defs/outlook/properties/channels/items/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid9 = _errs75 === errors;
if(!valid9){
break;
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/result/channels",schemaPath:"#/$defs/outlook/properties/channels/type",keyword:"type",params:{type: "array"},message:"must be array"}];
return false;
}
}
var valid8 = _errs73 === errors;
}
else {
var valid8 = true;
}
}
}
}
else {
validate10.errors = [{instancePath:instancePath+"/result",schemaPath:"#/$defs/outlook/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
var valid0 = _errs68 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.bytes !== undefined){
let data42 = data.bytes;
const _errs83 = errors;
if(!(((typeof data42 == "number") && (!(data42 % 1) && !isNaN(data42))) && (isFinite(data42)))){
validate10.errors = [{instancePath:instancePath+"/bytes",schemaPath:"#/properties/bytes/type",keyword:"type",params:{type: "integer"},message:"must be integer"}];
return false;
}
if(errors === _errs83){
if((typeof data42 == "number") && (isFinite(data42))){
if(data42 > 1099511627776 || isNaN(data42)){
validate10.errors = [{instancePath:instancePath+"/bytes",schemaPath:"#/properties/bytes/maximum",keyword:"maximum",params:{comparison: "<=", limit: 1099511627776},message:"must be <= 1099511627776"}];
return false;
}
else {
if(data42 < 1 || isNaN(data42)){
validate10.errors = [{instancePath:instancePath+"/bytes",schemaPath:"#/properties/bytes/minimum",keyword:"minimum",params:{comparison: ">=", limit: 1},message:"must be >= 1"}];
return false;
}
}
}
}
var valid0 = _errs83 === errors;
}
else {
var valid0 = true;
}
if(valid0){
if(data.place !== undefined){
let data43 = data.place;
const _errs85 = errors;
const _errs86 = errors;
let valid11 = false;
let passing0 = null;
const _errs87 = errors;
if(errors === _errs87){
if(data43 && typeof data43 == "object" && !Array.isArray(data43)){
let missing6;
if((data43.kind === undefined) && (missing6 = "kind")){
const err0 = {instancePath:instancePath+"/place",schemaPath:"#/properties/place/oneOf/0/required",keyword:"required",params:{missingProperty: missing6},message:"must have required property '"+missing6+"'"};
if(vErrors === null){
vErrors = [err0];
}
else {
vErrors.push(err0);
}
errors++;
}
else {
if(data43.kind !== undefined){
if("stored" !== data43.kind){
const err1 = {instancePath:instancePath+"/place/kind",schemaPath:"#/properties/place/oneOf/0/properties/kind/const",keyword:"const",params:{allowedValue: "stored"},message:"must be equal to constant"};
if(vErrors === null){
vErrors = [err1];
}
else {
vErrors.push(err1);
}
errors++;
}
}
}
}
else {
const err2 = {instancePath:instancePath+"/place",schemaPath:"#/properties/place/oneOf/0/type",keyword:"type",params:{type: "object"},message:"must be object"};
if(vErrors === null){
vErrors = [err2];
}
else {
vErrors.push(err2);
}
errors++;
}
}
var _valid0 = _errs87 === errors;
if(_valid0){
valid11 = true;
passing0 = 0;
}
const _errs90 = errors;
if(errors === _errs90){
if(data43 && typeof data43 == "object" && !Array.isArray(data43)){
let missing7;
if(((data43.kind === undefined) && (missing7 = "kind")) || ((data43.url === undefined) && (missing7 = "url"))){
const err3 = {instancePath:instancePath+"/place",schemaPath:"#/properties/place/oneOf/1/required",keyword:"required",params:{missingProperty: missing7},message:"must have required property '"+missing7+"'"};
if(vErrors === null){
vErrors = [err3];
}
else {
vErrors.push(err3);
}
errors++;
}
else {
if(data43.kind !== undefined){
const _errs92 = errors;
if("served" !== data43.kind){
const err4 = {instancePath:instancePath+"/place/kind",schemaPath:"#/properties/place/oneOf/1/properties/kind/const",keyword:"const",params:{allowedValue: "served"},message:"must be equal to constant"};
if(vErrors === null){
vErrors = [err4];
}
else {
vErrors.push(err4);
}
errors++;
}
var valid13 = _errs92 === errors;
}
else {
var valid13 = true;
}
if(valid13){
if(data43.url !== undefined){
let data46 = data43.url;
const _errs93 = errors;
if(errors === _errs93){
if(typeof data46 === "string"){
if(func2(data46) > 2000){
const err5 = {instancePath:instancePath+"/place/url",schemaPath:"#/properties/place/oneOf/1/properties/url/maxLength",keyword:"maxLength",params:{limit: 2000},message:"must NOT have more than 2000 characters"};
if(vErrors === null){
vErrors = [err5];
}
else {
vErrors.push(err5);
}
errors++;
}
}
else {
const err6 = {instancePath:instancePath+"/place/url",schemaPath:"#/properties/place/oneOf/1/properties/url/type",keyword:"type",params:{type: "string"},message:"must be string"};
if(vErrors === null){
vErrors = [err6];
}
else {
vErrors.push(err6);
}
errors++;
}
}
var valid13 = _errs93 === errors;
}
else {
var valid13 = true;
}
}
}
}
else {
const err7 = {instancePath:instancePath+"/place",schemaPath:"#/properties/place/oneOf/1/type",keyword:"type",params:{type: "object"},message:"must be object"};
if(vErrors === null){
vErrors = [err7];
}
else {
vErrors.push(err7);
}
errors++;
}
}
var _valid0 = _errs90 === errors;
if(_valid0 && valid11){
valid11 = false;
passing0 = [passing0, 1];
}
else {
if(_valid0){
valid11 = true;
passing0 = 1;
}
}
if(!valid11){
const err8 = {instancePath:instancePath+"/place",schemaPath:"#/properties/place/oneOf",keyword:"oneOf",params:{passingSchemas: passing0},message:"must match exactly one schema in oneOf"};
if(vErrors === null){
vErrors = [err8];
}
else {
vErrors.push(err8);
}
errors++;
validate10.errors = vErrors;
return false;
}
else {
errors = _errs86;
if(vErrors !== null){
if(_errs86){
vErrors.length = _errs86;
}
else {
vErrors = null;
}
}
}
var valid0 = _errs85 === errors;
}
else {
var valid0 = true;
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
}
else {
validate10.errors = [{instancePath,schemaPath:"#/type",keyword:"type",params:{type: "object"},message:"must be object"}];
return false;
}
}
validate10.errors = vErrors;
return errors === 0;
}
