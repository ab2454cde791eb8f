import { createPinia } from 'pinia';
import { createApp } from 'vue';
import { createRouter, createWebHistory } from 'vue-router';
import App from './App.vue';
import DeskPage from './pages/DeskPage.vue';
import ProjectsPage from './pages/ProjectsPage.vue';
import 'ant-design-vue/dist/reset.css';
import './style/base.css';

const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', component: ProjectsPage },
    { path: '/shots/:id', component: DeskPage, props: true },
    { path: '/:rest(.*)', redirect: '/' },
  ],
});

createApp(App).use(createPinia()).use(router).mount('#app');
