import { expose } from 'comlink';
import { modelApi } from './api';

expose(modelApi);
